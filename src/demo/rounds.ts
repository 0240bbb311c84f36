import type { RoundKind } from '../core/readings/rounds.ts';

/** Readings of a round as typed, in station order by quantity; nut gaps and cents from the lowest string. */
export interface DemoRound {
  readonly kind: RoundKind;
  readonly relief: string;
  readonly action: readonly [bass: string, treble: string];
  readonly gaps: string;
  readonly cents: string;
  readonly standout?: string;
  /** further places by their key, as typed */
  readonly more?: Readonly<Record<string, string>>;
  /** °C and % while it was read */
  readonly air?: readonly [temperature: number, humidity: number];
}

/** A round as found. */
export const found = (
  relief: string,
  bass: string,
  treble: string,
  gaps: string,
  cents: string,
  standout?: string,
): DemoRound => ({
  kind: 'as-found',
  relief,
  action: [bass, treble],
  gaps,
  cents,
  ...(standout ? { standout } : {}),
});
/** A round as left. */
export const left = (
  relief: string,
  bass: string,
  treble: string,
  gaps: string,
  cents: string,
  standout?: string,
): DemoRound => ({
  ...found(relief, bass, treble, gaps, cents, standout),
  kind: 'as-left',
});
