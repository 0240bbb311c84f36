import type { KindRecord } from './kind-record.ts';
import { ARCHTOP } from './kinds/archtop.ts';
import { BASS } from './kinds/bass.ts';
import { NYLON } from './kinds/nylon.ts';
import { SEMI_HOLLOW } from './kinds/semi-hollow.ts';
import { SOLID_ELECTRIC } from './kinds/solid-electric.ts';
import { STEEL_ACOUSTIC } from './kinds/steel-acoustic.ts';
import { TWELVE_STRING } from './kinds/twelve-string.ts';
import { UKULELE } from './kinds/ukulele.ts';

const RECORDS = {
  'steel-acoustic': STEEL_ACOUSTIC,
  'twelve-string': TWELVE_STRING,
  nylon: NYLON,
  'solid-electric': SOLID_ELECTRIC,
  'semi-hollow': SEMI_HOLLOW,
  archtop: ARCHTOP,
  bass: BASS,
  ukulele: UKULELE,
};

/** The kinds of fretted instrument that ship; a shop adds its own beside them. */
export type Kind = keyof typeof RECORDS;

export const KINDS = Object.keys(RECORDS) as [Kind, ...Kind[]];

/** Everything known of each kind: one record a kind. */
export const KIND_RECORDS: Readonly<Record<Kind, KindRecord>> = RECORDS;

export const KIND_NAMES = Object.fromEntries(KINDS.map((k) => [k, RECORDS[k].name])) as Readonly<
  Record<Kind, string>
>;

/** The kinds something is true of. */
export const kindsThat = (is: (record: KindRecord) => boolean): readonly Kind[] =>
  KINDS.filter((k) => is(RECORDS[k]));
