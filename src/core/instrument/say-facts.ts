import { ASSUMED_FACTS, type AssumedFact } from './assumable.ts';
import { sayRadius } from './board-radius.ts';
import type { Construction } from './construction.ts';
import { FACTS } from './construction-facts.ts';
import { gaugeSpan } from './defaults.ts';
import { sayScales } from './read-scales.ts';

type Facts = Omit<Construction, 'kind'>;

/** What each fact is called on a list. */
export const BUILT_LABELS: Readonly<Record<AssumedFact, string>> = {
  scale: 'Scale',
  frets: 'Frets, body at',
  tuning: 'Strings',
  gauges: 'Gauges',
  joint: 'Neck joint',
  rod: 'Truss rod',
  radius: 'Radius',
  bridge: 'Bridge',
  vibrato: 'Vibrato',
  nut: 'Nut',
  electronics: 'Electronics',
  finish: 'Finish',
  fingerboard: 'Fingerboard',
};

/** A fact in words; nothing where there is none. Lengths in mm, as an instrument's own facts are said. */
const SAYS: Readonly<Record<AssumedFact, (c: Facts) => string>> = {
  scale: sayScales,
  frets: ({ frets, bodyFret }) => `${frets}, ${bodyFret}th`,
  tuning: ({ strings }) => `${strings.length}: ${strings.map((s) => s.note).join(' ')}`,
  gauges: ({ strings }) => gaugeSpan(strings),
  joint: ({ joint }) => FACTS.joint[joint],
  rod: ({ rod, rodNut, rodKey }) =>
    rod === 'none'
      ? FACTS.rod.none
      : [FACTS.rod[rod], FACTS.rodNut[rodNut], rodKey].filter(Boolean).join(', '),
  radius: ({ radius }) => (radius ? sayRadius(radius) : ''),
  bridge: ({ bridge }) => FACTS.bridge[bridge],
  vibrato: ({ vibrato, springs }) =>
    springs === undefined ? FACTS.vibrato[vibrato] : `${FACTS.vibrato[vibrato]}, ${springs} springs`,
  nut: ({ nut }) => FACTS.nut[nut],
  electronics: ({ electronics }) => FACTS.electronics[electronics],
  finish: ({ finish }) => FACTS.finish[finish],
  fingerboard: ({ fingerboard }) => FACTS.fingerboard[fingerboard],
};

/**
 * One fact of a construction in words.
 * @example sayBuilt(usualConstruction('bass'), 'joint') → 'bolted'
 */
export const sayBuilt = (c: Facts, fact: AssumedFact): string => SAYS[fact](c);

/**
 * What changed in how an instrument is built, fact by fact, and what was only looked at.
 * @param was before
 * @param now after
 * @example a scale read on a bass → 'scale: 860.0 mm instead of 864.0 mm'
 */
export function sayConstructionChange(was: Construction, now: Construction): string {
  const changed = ASSUMED_FACTS.filter((f) => sayBuilt(was, f) !== sayBuilt(now, f));
  const looked = (was.assumed ?? []).filter((f) => !now.assumed?.includes(f) && !changed.includes(f));
  const said = [
    ...changed.map((f) => {
      const [before, after] = [sayBuilt(was, f), sayBuilt(now, f)];
      return `${BUILT_LABELS[f].toLowerCase()}: ${after || 'nothing'} instead of ${before || 'nothing'}`;
    }),
    ...(was.leftHanded === now.leftHanded ? [] : [now.leftHanded ? 'left-handed' : 'right-handed']),
    ...(looked.length === 0
      ? []
      : [`looked at ${looked.map((f) => BUILT_LABELS[f].toLowerCase()).join(', ')}: as taken`]),
  ];
  return said.length === 0 ? 'how it is built' : said.join('; ');
}
