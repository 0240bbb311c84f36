import { HAZARDS, type HazardId } from '../catalogue/hazards.ts';
import { MEANS, meansBy, type MeansId } from './means.ts';
import { SURFACES, type SurfaceId } from './surfaces.ts';
import { verdictOn, type Judged, type Verdict } from './verdicts.ts';

/** What is done to a surface. */
export const TASKS = {
  clean: 'Clean it',
  moisten: 'Feed it',
  polish: 'Polish it',
  degrease: 'Take grease off',
  unstick: 'Free what sticks',
} as const;
export type TaskId = keyof typeof TASKS;
export const TASK_IDS = Object.keys(TASKS) as TaskId[];

/** What people reach for, the gentlest first. */
const REACHED: Readonly<Record<TaskId, readonly MeansId[]>> = {
  clean: [
    'dry-cloth',
    'damp-cloth',
    'soap',
    'contact-cleaner',
    'naphtha',
    'wool',
    'alcohol',
    'household',
    'silicone',
    'acid',
  ],
  moisten: ['board-oil', 'drying-oil', 'wax', 'polish', 'damp-cloth', 'silicone'],
  polish: ['polish', 'wax', 'compound', 'metal-polish', 'wool', 'abrasive', 'silicone'],
  degrease: ['soap', 'naphtha', 'alcohol', 'contact-cleaner', 'acetone', 'household'],
  unstick: ['graphite', 'soap', 'contact-cleaner', 'naphtha', 'alcohol', 'warmth', 'acid', 'silicone'],
};

/** What each is dangerous by. */
const DANGEROUS: Readonly<Partial<Record<MeansId, HazardId>>> = {
  'drying-oil': 'solvent',
  compound: 'dust',
  wool: 'dust',
  abrasive: 'dust',
  naphtha: 'solvent',
  alcohol: 'solvent',
  acetone: 'solvent',
  'contact-cleaner': 'solvent',
  'metal-polish': 'solvent',
  warmth: 'lamp',
};

/** The cautions that go with some means, each once. */
export const cautionsOf = (means: readonly MeansId[]): readonly string[] => [
  ...new Set(
    means.flatMap((m) => {
      const hazard = DANGEROUS[m];
      return hazard === undefined ? [] : [HAZARDS[hazard]];
    }),
  ),
];

/** What is to be known of a task on a surface beyond what may touch it. */
const NOTES: Readonly<Partial<Record<`${SurfaceId} ${TaskId}`, string>>> = {
  'board-raw moisten':
    'Only a board that is dry: dull, light at the edges, its frets sharp. Once or twice a year at most.',
  'board-lacquered moisten':
    'A lacquered board drinks nothing. Where the lacquer is worn through it is a finish repair.',
  'frets polish': 'Mask the board first. Dull frets are polished, not levelled.',
  'lacquer moisten': 'A finish drinks nothing.',
  'poly moisten': 'A finish drinks nothing.',
  'shellac moisten': 'A finish drinks nothing.',
  'unknown moisten': 'Find out what it is first.',
  'lacquer unstick':
    'Lacquer that has gone soft from rubber or sweat does not harden again: keep things off it.',
  'shellac polish': 'It is polished with shellac, by somebody who does that.',
  'bone unstick': 'A string that pings is caught in its slot: the slot is looked at first.',
  'contacts clean': 'Nothing plugged in, battery out. What is on the mains is for a licensed person.',
  'inside clean': 'Nothing wet goes in: glue, labels and braces hold by what is there.',
};

/** What the shop says otherwise than the trade. */
export interface ShopCare {
  /** how much cleaning its price has in it */
  readonly policy: Policy;
  readonly verdicts: readonly {
    readonly surface: SurfaceId;
    readonly means: MeansId;
    readonly verdict: Verdict;
    readonly why: string;
  }[];
  /** what a player is told of a surface, where the shop has its own words */
  readonly home: Readonly<Partial<Record<SurfaceId, string>>>;
}

/** How much cleaning is in the price of a setup, as the customer reads it. */
export const POLICIES = {
  none: 'Cleaning is not part of the price; it is done where it is on the list.',
  wipe: 'Wiping it down is part of the price; more is done where it is on the list.',
  full: 'Cleaning body, board and frets is part of the price.',
} as const;
export type Policy = keyof typeof POLICIES;

/** As it ships. */
export const SHIPPED_CARE: ShopCare = { policy: 'wipe', verdicts: [], home: {} };

/** Whether a means may touch a surface, as the shop says, else as it is usual. */
export function judgedBy(care: ShopCare, surface: SurfaceId, means: MeansId): Judged {
  const own = care.verdicts.find((v) => v.surface === surface && v.means === means);
  return own ? { verdict: own.verdict, why: own.why } : verdictOn(surface, means);
}

/** A means with what is said of it. */
export interface MeansSaid {
  readonly means: MeansId;
  readonly name: string;
  readonly why: string;
}

/** How a task is done on a surface. */
export interface CareAnswer {
  readonly surface: SurfaceId;
  readonly task: TaskId;
  readonly usual: readonly MeansSaid[];
  readonly care: readonly MeansSaid[];
  readonly never: readonly MeansSaid[];
  /** where to try it first */
  readonly first: string;
  /** empty where nothing more is to be known */
  readonly note: string;
  /** what to beware of with what may be used */
  readonly cautions: readonly string[];
}

/** What is usual for a task on a surface, what goes with care, what never, each with why. */
export function careFor(care: ShopCare, surface: SurfaceId, task: TaskId): CareAnswer {
  const said = (wanted: Verdict): readonly MeansSaid[] =>
    REACHED[task]
      .map((means) => ({ means, name: MEANS[means].name as string, ...judgedBy(care, surface, means) }))
      .filter((m) => m.verdict === wanted)
      .map(({ means, name, why }) => ({ means, name, why }));
  const [usual, withCare] = [said('usual'), said('care')];
  return {
    surface,
    task,
    usual,
    care: withCare,
    never: said('never'),
    cautions: cautionsOf([...usual, ...withCare].map((m) => m.means)),
    first: SURFACES[surface].first,
    note: NOTES[`${surface} ${task}`] ?? '',
  };
}

/** What is answered to “may I use … on this?”. */
export type MayUse =
  | ({
      readonly known: true;
      readonly means: MeansId;
      readonly name: string;
      readonly first: string;
    } & Judged)
  | { readonly known: false };

/** Whether what somebody names may touch a surface; nobody here knows what it is where `known` is false. */
export function mayUse(care: ShopCare, surface: SurfaceId, text: string): MayUse {
  const means = meansBy(text);
  if (means === null) return { known: false };
  return {
    known: true,
    means,
    name: MEANS[means].name,
    first: SURFACES[surface].first,
    ...judgedBy(care, surface, means),
  };
}

/** What the player of an instrument is told of a surface; empty where nothing needs to be said. */
export const homeAdvice = (care: ShopCare, surface: SurfaceId): string =>
  care.home[surface] ?? SURFACES[surface].home;
