import type { Mm } from '../units/unit-types.ts';

/** A step of the rod as it was logged: eighths of a turn (tighten positive), relief before and after in mm. */
export interface LoggedTurn {
  readonly eighths: number;
  readonly before: Mm;
  readonly after: Mm;
}

/** A band with its aim, mm. */
export interface Band {
  readonly low: Mm;
  readonly aim: Mm;
  readonly high: Mm;
}

/** What one eighth is believed to take out of the relief, mm, with its spread. */
export interface RodPrior {
  readonly perEighth: Mm;
  readonly sd: Mm;
  /** what it was known by, in words: `what this rod did before` */
  readonly known?: string | undefined;
}

export interface RodAdvice {
  readonly advice: 'tighten' | 'loosen' | 'leave' | 'stop';
  /** eighths of a turn, tighten positive */
  readonly eighths: number;
  /** what the next reading is expected to say, mm: ninety-five of a hundred lie between low and high */
  readonly expected: Band | null;
  readonly perEighth: Mm;
  readonly why: string;
}

/** Relief that one eighth usually takes out, before an instrument has shown its own answer. A setting's default. */
export const USUAL_ROD: RodPrior = { perEighth: 0.05, sd: 0.03 };
const USUALLY = 'what such a rod usually does';
const LARGEST_STEP = 2;
/** The least turn that is made on purpose, eighths: a sixteenth of a turn. */
const LEAST_STEP = 0.5;
/** Ninety-five of a hundred lie within so many standard deviations. */
const NINETY_FIVE = 1.96;
const READING_SD = 0.02;
/** Two turns of the largest step, eighths. */
const UNANSWERED_EIGHTHS = 2 * LARGEST_STEP;
/** Below this relief per eighth, mm, the rod is not answering as a rod does. */
const WEAK_ANSWER = 0.005;

const respond = (turns: readonly LoggedTurn[], prior: RodPrior): Pick<RodPrior, 'perEighth' | 'sd'> => {
  let weight = 1 / prior.sd ** 2;
  let sum = prior.perEighth * weight;
  for (const t of turns) {
    const precision = t.eighths ** 2 / (2 * READING_SD ** 2);
    weight += precision;
    sum += ((t.before - t.after) / t.eighths) * precision;
  }
  return { perEighth: sum / weight, sd: Math.sqrt(1 / weight) };
};

/**
 * The relief expected after a turn, mm.
 * @param turns those logged before it
 */
export const expectedAfter = (
  before: Mm,
  eighths: number,
  turns: readonly LoggedTurn[],
  prior: RodPrior = USUAL_ROD,
): Mm =>
  before -
  eighths *
    respond(
      turns.filter((t) => t.eighths !== 0),
      prior,
    ).perEighth;

/**
 * Whether the latest two turns or more, either way, have not moved the neck by as much as the gauge can tell; turns smaller than
 * the largest step count once they add up to two of it.
 */
function unanswered(turns: readonly LoggedTurn[]): boolean {
  let [turned, moved] = [0, 0];
  for (const [i, t] of turns.toReversed().entries()) {
    turned += Math.abs(t.eighths);
    moved += Math.sign(t.eighths) * (t.before - t.after);
    if (i > 0 && turned >= UNANSWERED_EIGHTHS) return Math.abs(moved) < READING_SD;
  }
  return false;
}

/**
 * The next turn of the truss rod: direction from the sign of the error, size in eighths from the instrument's own
 * response (normal–normal update of the prior with every logged turn), in steps of a sixteenth of a turn, never more than a
 * quarter turn between readings.
 * @param relief now, mm
 * @param target band in mm
 * @example relief 0.36, target 0.15/0.20/0.25, no turns yet → tighten 2 eighths, about 0.26 expected
 */
export function rodAdvice(
  relief: Mm,
  target: Band,
  turns: readonly LoggedTurn[] = [],
  prior: RodPrior = USUAL_ROD,
): RodAdvice {
  const answer = respond(
    turns.filter((t) => t.eighths !== 0),
    prior,
  );
  if (relief >= target.low && relief <= target.high) {
    return {
      advice: 'leave',
      eighths: 0,
      expected: null,
      perEighth: answer.perEighth,
      why: 'Relief is in its band.',
    };
  }
  if (unanswered(turns)) {
    const why = 'Two turns have not moved the neck. Stop: the rod is at its end, broken or not bearing.';
    return { advice: 'stop', eighths: 0, expected: null, perEighth: answer.perEighth, why };
  }
  if (answer.perEighth < WEAK_ANSWER) {
    const why = 'The rod does not answer as it should. Stop and look before turning further.';
    return { advice: 'stop', eighths: 0, expected: null, perEighth: answer.perEighth, why };
  }
  const wanted = (relief - target.aim) / answer.perEighth;
  const whole = Math.floor(Math.abs(wanted) / LEAST_STEP) * LEAST_STEP;
  const eighths = Math.sign(wanted) * Math.min(LARGEST_STEP, Math.max(LEAST_STEP, whole));
  const likely = relief - eighths * answer.perEighth;
  // What the next reading will say: the answer of the rod, and the error of the reading now and of that one.
  const spread = NINETY_FIVE * Math.hypot(eighths * answer.sd, READING_SD, READING_SD);
  return {
    advice: eighths > 0 ? 'tighten' : 'loosen',
    eighths,
    expected: { low: likely - spread, aim: likely, high: likely + spread },
    perEighth: answer.perEighth,
    why:
      turns.length === 0
        ? `From ${prior.known ?? USUALLY}.`
        : `From ${turns.length === 1 ? 'one logged turn' : `${turns.length} logged turns`} over ${prior.known ?? USUALLY}.`,
  };
}
