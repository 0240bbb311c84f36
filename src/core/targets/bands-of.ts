import type { KindTargets } from '../instrument/kind-record.ts';
import { KIND_TARGETS } from './defaults.ts';
import type { ShopTargets } from './shop-targets.ts';

/** A kind whose bands are asked for. */
export interface TargetKind {
  readonly id: string;
  /** the shipped kind whose bands it has until it has its own; itself for that */
  readonly base: string;
}

/** The bands of a kind as a shop has them, mm and cents: its own over its base's over those that ship. */
export const bandsOf = (targets: ShopTargets, { id, base }: TargetKind): KindTargets => ({
  ...KIND_TARGETS[base as keyof typeof KIND_TARGETS],
  ...targets.kinds[base],
  ...targets.kinds[id],
});
