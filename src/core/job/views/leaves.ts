import { besideOrder } from '../../work/beside-order.ts';
import { standingLines } from './standing-lines.ts';
import { POLICIES } from '../../care/care.ts';
import type { Withdrawn } from '../job.ts';
import type { CustomerSheet } from '../../hand-over/customer-sheet.ts';
import type { JobPart, JobWith } from '../job-parts.ts';
import type { JudgingShop } from '../judged-job.ts';
import { factsOf } from '../facts.ts';
import { judge, type Judged } from '../judge.ts';
import type { Leaf } from '../leaves.ts';
import { namesOf, type NameOf, type Shop } from '../shop.ts';
import { custodyView, thingsView } from './custody.ts';
import { handOverView, invoicesView } from './hand-over.ts';
import { headView } from './head.ts';
import { inspectionView } from './inspection.ts';
import { huntsBeforeView, planView, proposalView } from './plan.ts';
import { readingsView } from './readings.ts';
import { receiptView, visitsView } from './receipt.ts';
import { wordsView } from './words.ts';
import { workOrderView } from './work-order.ts';

/** A place of the shop, and the job that hangs there now. */
export interface PlaceWithJob {
  readonly id: number;
  readonly name: string;
  readonly kind: 'rack' | 'bench';
  /** the job's number; null where nothing hangs */
  readonly holds: number | null;
}

/** Whether what was signed still says the same. */
export type Seal =
  | { readonly kind: 'open' }
  | { readonly kind: 'whole'; readonly digest: string; readonly withdrawn?: Withdrawn }
  | { readonly kind: 'broken'; readonly digest: string; readonly changed: readonly string[] };

/** What is known of a job's leaf beside the job and the shop: what other rows say, and what only a digest can. */
export interface Around {
  readonly places: readonly PlaceWithJob[];
  /** why owner or instrument look as if they stood in the book twice; null when neither does */
  readonly double: string | null;
  readonly seal: Seal;
  /** the sheet as it was signed or stands, with the digest a signer puts their name to */
  readonly sheet: { readonly content: CustomerSheet; readonly digest: string };
}

/** The parts every leaf shows. */
export const COMMON_PARTS = [
  'customer',
  'things',
  'marks',
  'photos',
  'payments',
  'clocks',
  'cuts',
  'remarks',
  'passings',
  'accidents',
  'links',
  'seals',
  'messages',
  'earlier',
  'watches',
] as const satisfies readonly JobPart[];
type Common = (typeof COMMON_PARTS)[number];

/** The parts a leaf shows beside those. */
export const LEAF_PARTS = {
  arrival: ['visits', 'receipt'],
  inspection: [],
  readings: [],
  plan: ['tries', 'results', 'offers', 'visits'],
  work: [],
  'hand-over': ['invoices'],
} as const satisfies Readonly<Record<Leaf, readonly JobPart[]>>;

type LeafPart<L extends Leaf> = (typeof LEAF_PARTS)[L][number];

/** What a leaf is made from. */
export interface LeafSource<P extends JobPart> {
  readonly job: JobWith<Common | P> & JudgingShop;
  readonly shop: Shop;
  readonly judged: Judged;
  readonly name: NameOf;
  readonly now: Date;
}

/** Judges a job once for all that is shown of it. */
export const leafSource = <P extends JobPart>(
  job: JobWith<Common | P> & JudgingShop,
  shop: Shop,
  now: Date,
): LeafSource<P> => ({ job, shop, judged: judge(job), name: namesOf(shop), now });

/** What every leaf shows. */
export const commonView = (s: LeafSource<never>, { places }: Pick<Around, 'places'>) => ({
  ...headView(s.job, factsOf(s.job, s.judged), s.shop, s.name),
  shop: s.shop.info,
  /** how much cleaning is in the price, as the customer reads it */
  cleaning: POLICIES[s.shop.care.policy] as string,
  people: s.shop.people.map((p) => ({ id: p.id, name: p.name })),
  places: places.map(({ id, name, holds }) => ({ id, name, holds })),
  place: places.find((p) => p.id === s.job.job.placeId)?.name ?? null,
  items: thingsView(s.job),
  ...custodyView(s.job, s.name),
  readings: readingsView(s.job, s.judged, s.shop, s.name),
  ...proposalView(s.job, s.judged, s.name),
  ...workOrderView(s.job, s.judged, s.name, s.now),
  ...wordsView(s.job, s.name, s.now),
  handOver: handOverView(s.job, s.judged, s.shop, s.name, s.now),
});

const inspected = (s: LeafSource<never>) => ({
  inspection: inspectionView(s.job, s.judged, s.shop, s.name),
});
/** Work that may turn out to be needed on the way: what it is called and comes to. */
const operations = ({ judged: { plannedFor }, job }: LeafSource<never>) => ({
  operations: plannedFor.catalogue.map((o) => ({
    id: o.id,
    name: o.name,
    price: o.price,
    parts: o.parts,
    /** what there is to say before it comes on the order by hand */
    beside: besideOrder(o, standingLines(job)),
  })),
});

/** What each leaf shows beside that. */
export const LEAF_VIEWS = {
  arrival: (s: LeafSource<LeafPart<'arrival'>>, { double }: Around) => ({
    kinds: s.shop.kinds,
    double,
    visits: visitsView(s.job),
    receipt: receiptView(s.job),
  }),
  inspection: inspected,
  readings: (_s: LeafSource<never>) => ({}),
  plan: (s: LeafSource<LeafPart<'plan'>>) => ({
    plan: planView(s.job, s.judged, s.name),
    huntsBefore: huntsBeforeView(s.job, s.name),
  }),
  work: (s: LeafSource<never>) => ({ ...inspected(s), ...operations(s) }),
  'hand-over': (s: LeafSource<LeafPart<'hand-over'>>, { sheet, seal }: Around) => ({
    sheet,
    seal,
    invoices: invoicesView(s.job, s.name),
  }),
} as const;

type Views = typeof LEAF_VIEWS;

/** A job as every leaf is sent it. */
export type LeafJob<Shown extends Part = never> = ReturnType<typeof commonView> & Pick<Parts, Shown>;

/** A job as one leaf is sent it. */
export type LeafView<L extends Leaf> = LeafJob & ReturnType<Views[L]>;

type Parts = ReturnType<Views['arrival']> &
  ReturnType<Views['plan']> &
  ReturnType<Views['work']> &
  ReturnType<Views['hand-over']>;

/** What only some leaves show. */
export type Part = keyof Parts;

/** Everything that is shown of a job, for papers and the command line. */
export type JobView = LeafJob<Part>;
