import type { KindTargets } from '../instrument/kind-record.ts';
import { KIND_TARGETS } from './defaults.ts';
import type { Touch } from './target.ts';

/** A shop's own rules for what is aimed at. Shares are of a band's width. */
export interface ShopTargets {
  readonly kinds: Readonly<Record<string, KindTargets>>;
  /** how far a touch moves relief and action, + higher */
  readonly touch: Readonly<Record<Touch, number>>;
  /** how far each semitone below the usual tuning raises relief and action */
  readonly slackPerSemitone: number;
}

/** What ships: ordinary trade practice. */
export const SHIPPED_TARGETS: ShopTargets = {
  kinds: KIND_TARGETS,
  touch: { light: -0.4, medium: 0, heavy: 0.7 },
  slackPerSemitone: 0.1,
};
