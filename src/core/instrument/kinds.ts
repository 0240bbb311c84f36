/** The kinds of fretted instrument the shop knows. */
export const KINDS = [
  'steel-acoustic',
  'twelve-string',
  'nylon',
  'solid-electric',
  'semi-hollow',
  'archtop',
  'bass',
  'ukulele',
] as const;
export type Kind = (typeof KINDS)[number];

export const KIND_NAMES: Readonly<Record<Kind, string>> = {
  'steel-acoustic': 'Steel-string acoustic',
  'twelve-string': '12-string acoustic',
  nylon: 'Nylon-string',
  'solid-electric': 'Solid electric',
  'semi-hollow': 'Semi-hollow electric',
  archtop: 'Archtop electric',
  bass: 'Bass',
  ukulele: 'Ukulele',
};
