import { NUMBERS, type NumberId } from './numbers.ts';
import { nineOfTen, type LearnedNumber } from './response.ts';

const count = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;

/** What it is called when it was done: a turn of the rod, a reading before and after. */
const ACT: Readonly<Record<NumberId, readonly [one: string, many: string]>> = {
  rod: ['turn', 'turns'],
  ratio: ['turn read on both sides', 'turns read on both sides'],
  saddle: ['cut', 'cuts'],
  contact: ['string moved', 'strings moved'],
  pull: ['change of pull', 'changes of pull'],
  air: ['time between visits', 'times between visits'],
};

/** Where a number comes from: `5 turns of its own, 31 of 9 others of its kind`; what the trade says where nobody read it. */
export function sayFrom(id: NumberId, { own, others }: LearnedNumber): string {
  const [one, many] = ACT[id];
  const mine = own > 0 ? `${count(own, one, many)} of its own` : '';
  const theirs =
    others.acts > 0
      ? `${own > 0 ? others.acts : count(others.acts, one, many)} of ${count(others.instruments, own > 0 ? 'other' : 'instrument', own > 0 ? 'others' : 'instruments')} of its kind`
      : '';
  const from = [mine, theirs].filter(Boolean).join(', ');
  return from === '' ? 'what the trade says' : `${from}, over what the trade says`;
}

/** The unit lengths are said in: thousandths of an inch where heights are said in inches. */
export type SmallUnit = 'mm' | 'thou';

const MM_A_THOU = 0.0254;
const DIGITS = { mm: 3, thou: 1, times: 2, cents: 1 } as const;

/** What of a number is said, and its unit. */
function saying(id: NumberId, unit: SmallUnit) {
  const own = NUMBERS[id].unit;
  if (own !== 'length') return { factor: 1, digits: DIGITS[own], name: own === 'times' ? '×' : 'cents' };
  return { factor: unit === 'mm' ? 1 : 1 / MM_A_THOU, digits: DIGITS[unit], name: unit };
}

/** What followed, in the number's unit: `2.9 thou`. */
export function sayAmount(id: NumberId, value: number, unit: SmallUnit): string {
  const { factor, digits, name } = saying(id, unit);
  return `${(value * factor).toFixed(digits).replace('-', '−')} ${name}`;
}

/** A number with between which it lies in nine cases of ten: `2.9 thou (2.4 to 3.4)`. */
export function sayNumber(id: NumberId, learned: LearnedNumber, unit: SmallUnit): string {
  const { factor, digits } = saying(id, unit);
  const [low, high] = nineOfTen(learned).map((v) => (v * factor).toFixed(digits).replace('-', '−'));
  return `${sayAmount(id, learned.value, unit)} (${low} to ${high})`;
}
