import { MEANS_IDS, type MeansId } from './means.ts';
import type { SurfaceId } from './surfaces.ts';

/** Whether something may touch a surface. */
export const VERDICTS = {
  usual: 'yes, it is usual',
  care: 'with care',
  never: 'no, never',
  useless: 'it does nothing for it',
} as const;
export type Verdict = keyof typeof VERDICTS;

/** A verdict with its reason; the reason is empty where a usual thing needs none. */
export interface Judged {
  readonly verdict: Verdict;
  readonly why: string;
}

const LETTERS: Readonly<Record<string, Verdict>> = { u: 'usual', c: 'care', n: 'never', '-': 'useless' };

/**
 * By surface a letter for each means, in the order of `MEANS`: dry cloth, damp cloth, soap, board oil, drying oil | polish, silicone, wax,
 * compound, steel wool | abrasive, naphtha, alcohol, acetone, household | metal polish, contact cleaner, graphite, acid, warmth.
 */
const ROWS: Readonly<Record<SurfaceId, string>> = {
  'board-raw': 'uccuc nncnc cccnn nn-nn',
  'board-lacquered': 'uccnn cnccn ncnnn nn-nn',
  frets: 'ucc-- -n-uu uccnn c--nn',
  lacquer: 'uccnn cnccn ncnnn nn-nn',
  poly: 'uuu-- unucn nccnn nn-nn',
  shellac: 'ucnnn nncnn ncnnn nn-nn',
  oil: 'ucccu nnunc ccnnn nn-nn',
  unknown: 'ucnnn nnnnn nnnnn nn-nn',
  chrome: 'uuu-- -nunn nuucc c--nn',
  nickel: 'uuc-- -nunn nuccn c--nn',
  gold: 'ucc-- -ncnn nccnn n--nn',
  black: 'ucc-- -ncnn ncnnn n--nn',
  'bare-metal': 'uccc- -nucu cuucn u--nn',
  plastic: 'uuu-- uncun ccnnn nn-nn',
  celluloid: 'ucc-- cnccn ccnnn nn-nn',
  bone: 'uuunn -n-un uccnn n-unn',
  inside: 'unnnn nnnnn nnnnn nn-nn',
  contacts: 'unnnn nnnnn nccnn nunnn',
};

/** Why a thing is never used, whatever it would touch. */
const NEVER: Readonly<Record<MeansId, string>> = {
  'dry-cloth': '',
  'damp-cloth': 'Water swells the wood, and where current runs it shorts.',
  soap: 'It leaves a film, and its water goes under edges.',
  'board-oil': 'It creeps under the finish where that is worn, and nothing holds there again.',
  'drying-oil': 'It hardens to a skin that is hard to take off.',
  polish: 'It fills the grain and leaves a white bloom.',
  silicone: 'It goes everywhere and never off: no finish and no glue holds there again.',
  wax: 'It is hard to take off, and nothing can be mended through it.',
  compound: 'It cuts through what is thin.',
  wool: 'It scratches, and its dust clings to pickups and shorts them.',
  abrasive: 'It takes the surface away.',
  naphtha: 'It goes in and takes out what holds there.',
  alcohol: 'It softens or dissolves it.',
  acetone: 'It dissolves finishes and plastics at once.',
  household: 'Its ammonia and perfume haze finishes and eat plating.',
  'metal-polish': 'It cuts through thin plating, and its ammonia stains wood and finish.',
  'contact-cleaner': 'Its solvent runs, and takes finish and plastic with it.',
  graphite: 'It conducts: what must stay apart no longer does.',
  acid: 'It eats metal and bleaches wood.',
  warmth: 'It blisters finishes, softens glue and starts fires.',
};

/** What care a thing wants, whatever it touches. */
const CARE: Readonly<Record<MeansId, string>> = {
  'dry-cloth': '',
  'damp-cloth': 'Only just damp, and wiped dry at once.',
  soap: 'One drop, wrung out, and wiped dry at once.',
  'board-oil': 'Very little, left some minutes, all of it wiped off.',
  'drying-oil': 'Very little, all of it wiped off at once; it builds up to a skin.',
  polish: 'One that is made for this finish, a little of it, on the cloth.',
  silicone: '',
  wax: 'A thin coat, and none where something is still to be mended.',
  compound: 'By hand, a little, only where the coat is thick enough.',
  wool: 'Along the grain, pickups covered, its dust taken up with a magnet.',
  abrasive: 'By hand, a little, what lies beside it masked.',
  naphtha: 'On the cloth, wiped dry at once.',
  alcohol: 'On the cloth, a little, nowhere near the finish.',
  acetone: 'Only with the part off the instrument.',
  household: 'Only with the part off the instrument.',
  'metal-polish': 'A little, with the part off or masked all around.',
  'contact-cleaner': 'A short burst, what lies around covered.',
  graphite: 'A little, where it is wanted and nowhere else.',
  acid: '',
  warmth: '',
};

/** What is to be said of one surface in particular. */
const OWN: Readonly<Partial<Record<`${SurfaceId} ${MeansId}`, string>>> = {
  'board-raw naphtha':
    'Against old grease; on the cloth, and the wood is dry afterwards: a little oil follows.',
  'board-raw alcohol': 'It dries the wood out, and the dye of a blackened board runs: try it first.',
  'board-raw wax': 'A thin coat; it makes the next oil stand on the surface.',
  'board-lacquered polish': 'One that is made for this finish; none where the lacquer is worn through.',
  'frets wool': 'The board masked, pickups covered, its dust taken up with a magnet.',
  'frets abrasive': 'The board masked; a thin or worn lacquer beside them first of all.',
  'frets compound': 'The board masked: what is left of it dries white in the grain.',
  'frets alcohol': 'On the cloth: a drop beside it takes the finish of the neck.',
  'lacquer compound': 'By hand, a little: old lacquer is thin, and its edges are gone at once.',
  'lacquer naphtha':
    'The only solvent old lacquer mostly bears: on the cloth, a little, wiped dry, tried first.',
  'lacquer damp-cloth': 'Only just damp, dried at once; never on checked lacquer, water lifts it.',
  'shellac damp-cloth': 'Only just damp, dried at once: water blooms it white.',
  'shellac alcohol': 'It is what shellac is dissolved in.',
  'shellac wax': 'A thin coat of a soft paste without solvent smell; tried first.',
  'oil drying-oil':
    'The same oil as is on it, very little, all wiped off. Its rags can catch fire by themselves: spread them out wet.',
  'oil board-oil': 'Only where it is the oil that is on it already.',
  'plastic alcohol': 'It crazes plastic that is under strain.',
  'plastic compound': 'One for plastics, by hand, without warmth.',
  'celluloid warmth': 'It takes fire all at once.',
  'celluloid alcohol': 'It softens it, and its colour runs.',
  'gold metal-polish': 'The gold is thinner than what one wipe takes off.',
  'black metal-polish': 'It takes the coating off in streaks.',
  'nickel household': 'Its ammonia turns nickel dull.',
  'bone board-oil': 'It goes in and stains it, and the saddle no longer glues or sounds alike.',
  'bone graphite': 'In the slots of a nut that bind: a little, from a soft pencil.',
  'inside dry-cloth': 'Dust is taken out dry, with a soft brush; nothing else goes in.',
  'contacts contact-cleaner':
    'A short burst into the part, turned through its whole way some ten times; what is around it covered.',
  'contacts alcohol': 'On a stick, battery out and nothing plugged in, dry before it is used.',
  'contacts naphtha': 'On a stick, battery out and nothing plugged in, dry before it is used.',
};

/** Whether a means may touch a surface, as it is usual in the trade. */
export function verdictOn(surface: SurfaceId, means: MeansId): Judged {
  const letter = ROWS[surface].replaceAll(' ', '')[MEANS_IDS.indexOf(means)] ?? 'n';
  const verdict = LETTERS[letter] ?? 'never';
  const own = OWN[`${surface} ${means}`];
  const usual = verdict === 'never' ? NEVER[means] : verdict === 'care' ? CARE[means] : '';
  return { verdict, why: own ?? usual };
}

/** How many letters each surface has: one for each means. */
export const lettersOf = (surface: SurfaceId): number => ROWS[surface].replaceAll(' ', '').length;
