import { formatLength } from '../units/format-length.ts';
import type { LengthUnit } from '../units/length-units.ts';
import { FEWEST, type CameOut } from './came-out.ts';
import type { FactGroup, FactKind } from './facts.ts';

const MORE: Readonly<Record<FactKind, readonly [more: string, less: string]>> = {
  cut: ['more than was meant', 'less than was meant'],
  turn: ['more relief than was expected', 'less relief than was expected'],
  plan: ['higher than was said', 'lower than was said'],
  minutes: ['longer than was said', 'shorter than was said'],
};

/** An amount of a group in words, without its sign. */
export function sayAmountOf(unit: FactGroup['unit'], value: number, length: LengthUnit): string {
  const size = Math.abs(value);
  if (unit === 'share') return `${Math.round(100 * size)} %`;
  return unit === 'cents' ? `${size.toFixed(1)} cents` : formatLength(size, length);
}

/** How a group came out, in words: `7 % more than was meant, single ones ± 12 %; 23 of them`. */
export function sayCameOut(
  what: FactKind,
  { unit }: Pick<FactGroup, 'unit'>,
  { bias, spread, count, sure }: CameOut,
  length: LengthUnit,
): string {
  const [more, less] = MORE[what];
  if (count < FEWEST) return `${count === 1 ? 'one' : count} so far: too few to say`;
  const said = sayAmountOf(unit, bias, length);
  const mean = sure ? `${said} ${bias > 0 ? more : less}` : 'on the whole as was said, as far as can be told';
  const each = spread === null ? '' : `, single ones ± ${sayAmountOf(unit, spread, length)}`;
  return `${mean}${each}; ${count} of them`;
}
