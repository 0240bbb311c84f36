/** A fret map with a high ninth, where the saddle is left, and the relief at further frets. */
export const MAPPED: Readonly<Record<string, string>> = {
  ...Object.fromEntries(
    [3, 2, 1].flatMap((across) =>
      Array.from({ length: 20 }, (_, i) => {
        const high = i + 1 === 9 ? 0.08 - 0.02 * (3 - across) : 0;
        return [`fret-height:${across}:${i + 1}`, `${(1.02 - 0.006 * (i % 4) + high).toFixed(2)} mm`];
      }),
    ),
  ),
  'fret-rock:0:9': '.003',
  'relief:0:5': 'touches',
  'relief:0:9': '-.004',
  'contact:6:0': '1.5',
  'contact:5:0': '1.5',
  'contact:4:0': '1.25',
  'contact:3:0': '1.5',
  'contact:2:0': '0.75',
  'contact:1:0': '1.75',
  'saddle-thickness:0:0': '3.0',
  'slot-depth:0:0': '4.1',
  'break-angle:0:0': '17',
};
