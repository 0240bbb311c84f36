import { KIND_RECORDS, type Kind } from '../instrument/kinds.ts';
import type { TradeNumber } from './response.ts';

/** The numbers an instrument shows of itself: what is changed, and what follows for one such step. */
export const NUMBERS = {
  rod: { name: 'Relief for an eighth of a turn', unit: 'length' },
  ratio: { name: 'Action at the 12th for relief', unit: 'times' },
  saddle: { name: 'Action at the 12th for saddle', unit: 'times' },
  contact: { name: 'Cents for 1 mm of contact on the saddle', unit: 'cents' },
  pull: { name: 'Relief for 10 N more pull', unit: 'length' },
  air: { name: 'Relief for 10 % more humidity', unit: 'length' },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly unit: 'length' | 'times' | 'cents' }>
>;

export type NumberId = keyof typeof NUMBERS;
export const NUMBER_IDS = Object.keys(NUMBERS) as NumberId[];

/** What the trade says of each, whatever the kind; of the rod and the ratio the shop's rules say it. */
const TRADE: Readonly<Record<Exclude<NumberId, 'rod' | 'ratio'>, TradeNumber>> = {
  // Twice the action at the 12th, a little more with compensation.
  saddle: { value: 0.497, kinds: 0.003, instruments: 0.02, scatter: 0.03 },
  // 0.37 mm a cent at the 12th of 648 mm.
  contact: { value: -2.7, kinds: 0.3, instruments: 0.15, scatter: 0.5 },
  // 0.7 to 1.1 µm for a newton.
  pull: { value: 0.009, kinds: 0.001, instruments: 0.0015, scatter: 0.02 },
  // Wood differs: damp boards bow forward, dry ones back, some hardly.
  air: { value: 0.03, kinds: 0.02, instruments: 0.03, scatter: 0.03 },
};

/** How far rods of a kind differ, mm an eighth, whatever a shop says of the spread of all; and kinds at least. */
const BETWEEN_RODS = 0.024;
const LEAST_OF_KINDS = 0.006;
const BETWEEN_RATIOS = { kinds: 0.15, instruments: 0.25, scatter: 0.03 };
/** What a neck goes on moving after a turn, mm. */
const ROD_SCATTER = 0.005;

/** A shop's rules as far as they say what the trade says. */
export interface TradeRules {
  readonly rodPrior: { readonly perEighth: number; readonly sd: number };
  /** null goes by the kind */
  readonly rodActionRatio: number | null;
}

/** What is believed of a number of a kind of instrument before anything was read. */
export function tradeNumber(id: NumberId, kind: Kind, rules: TradeRules): TradeNumber {
  if (id === 'rod') {
    const { perEighth, sd } = rules.rodPrior;
    const kinds = Math.max(LEAST_OF_KINDS, Math.sqrt(Math.max(0, sd ** 2 - BETWEEN_RODS ** 2)));
    return { value: perEighth, kinds, instruments: BETWEEN_RODS, scatter: ROD_SCATTER };
  }
  if (id === 'ratio')
    return { value: rules.rodActionRatio ?? KIND_RECORDS[kind].rodRatio, ...BETWEEN_RATIOS };
  return TRADE[id];
}
