import { fail, ok, type Result } from '../result.ts';
import { fromMm, toMm } from '../units/length-units.ts';
import type { StringKind } from '../strings/unit-mass.ts';

/** A string as it lies in its packet. Gauge in mm. */
export interface PacketString {
  readonly gauge: number;
  readonly kind: StringKind;
}

const LETTERS: Readonly<Record<string, StringKind>> = {
  p: 'plain',
  w: 'wound',
  n: 'nylon',
  f: 'fluorocarbon',
  s: 'floss',
};
const LETTER_OF = Object.fromEntries(Object.entries(LETTERS).map(([l, k]) => [k, l])) as Record<
  StringKind,
  string
>;
const TOKEN = /^0?\.?(\d{1,3}(?:\.\d)?)([pwnfs])?$/i;
const MOST = 14;
/** A steel string over that is hardly ever plain, thousandths of an inch. */
const PLAIN_UP_TO = 20;
/** What is strung on anything, thousandths of an inch. */
const PLAUSIBLE = { low: 6, high: 150 } as const;

/**
 * Reads the strings of a packet by their thousandths of an inch: `53w 42w 32w 24w 16p 12p`, p plain, w wound, n nylon, f fluorocarbon, s wound over nylon;
 * without a letter as a steel string of that gauge usually is.
 * @param text any number of them, with spaces or commas, leading points or none
 * @example .053 and .012 are a wound string and a plain one
 */
export function readGauges(text: string): Result<readonly PacketString[], string> {
  const tokens = text.split(/[\s,]+/).filter((t) => t !== '');
  if (tokens.length === 0) return fail('Which strings? Like 53w 42w 32w 24w 16p 12p.');
  if (tokens.length > MOST) return fail(`That is more than ${MOST} strings.`);
  const strings: PacketString[] = [];
  for (const t of tokens) {
    const found = TOKEN.exec(t);
    const thou = found ? Number(found[1]) : Number.NaN;
    if (!found || thou < PLAUSIBLE.low || thou > PLAUSIBLE.high)
      return fail(`“${t.slice(0, 20)}” is no string’s gauge. Thousandths of an inch, like 53w or 12p.`);
    const kind = LETTERS[found[2]?.toLowerCase() ?? ''] ?? (thou > PLAIN_UP_TO ? 'wound' : 'plain');
    strings.push({ gauge: toMm(thou, 'thou'), kind });
  }
  return ok(strings);
}

/** The thousandths of a gauge, to a tenth. */
export const thouOf = (gauge: number): number => Math.round(fromMm(gauge, 'thou') * 10) / 10;

/** The strings of a packet as they are typed: what it says is read back to the same. */
export const sayGauges = (strings: readonly PacketString[]): string =>
  strings.map((s) => `${thouOf(s.gauge)}${LETTER_OF[s.kind]}`).join(' ');
