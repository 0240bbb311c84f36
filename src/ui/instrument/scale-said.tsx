import { readScales, sayScales } from '../../core/instrument/read-scales.ts';

/** Two scales as they are understood while they are typed, and how to write them. */
export function ScaleSaid({ text }: { readonly text: string }) {
  const read = readScales(text);
  return (
    <p className="text-sm text-quiet" role="status">
      {read.ok && read.value.fan
        ? `Frets fan out: ${sayScales(read.value)}`
        : 'Where frets fan out, both scales and the straight fret: 864–813 at 7'}
    </p>
  );
}
