import { sayEntry, withUnits } from '../readings/entry.ts';
import { fromMm, LENGTH_UNITS, toMm, type DisplayUnit, type LengthUnit } from '../units/length-units.ts';
import { QUANTITY_FACTS, type Quantity } from '../readings/quantities.ts';
import { verdict, type Target } from './target.ts';

/** The unit of a bare number at a quantity's field: the shop's own for it, else what the sheet speaks. */
export function unitOf(
  quantity: Quantity,
  displayUnit: DisplayUnit,
  own: Readonly<Partial<Record<Quantity, LengthUnit>>> = {},
): LengthUnit {
  const chosen = own[quantity];
  if (chosen !== undefined) return chosen;
  if (quantity === 'action') return displayUnit;
  return displayUnit === 'mm' ? 'mm' : QUANTITY_FACTS[quantity].unit;
}

/** What was typed as it stands in a field of another unit: it means what it meant where it was typed. */
export const asTyped = (
  typed: string,
  unit: string,
  fieldUnit: LengthUnit,
  quantity: Quantity = 'action',
): string =>
  unit === fieldUnit || !(LENGTH_UNITS as readonly string[]).includes(unit)
    ? typed
    : withUnits(typed, quantity, unit as LengthUnit);

/** The unit of an amount that is taken off or put on: thousandths, unless the sheet speaks millimetres. */
export const amountUnit = (displayUnit: DisplayUnit): 'mm' | 'thou' => (displayUnit === 'mm' ? 'mm' : 'thou');

/** Says a value of a quantity in the sheet's unit. */
export const sayValue = (value: number, quantity: Quantity, displayUnit: DisplayUnit): string =>
  sayEntry(value, quantity, unitOf(quantity, displayUnit));

export interface SaidVerdict {
  readonly mark: '●' | '▲' | '▼';
  readonly red: boolean;
  readonly words: string;
}

/** Says how a value stands to its target: shape, word and amount, never colour alone. */
export function sayVerdict(
  value: number,
  target: Target,
  quantity: Quantity,
  displayUnit: DisplayUnit,
): SaidVerdict {
  const off = (by: number) => sayValue(by, quantity, displayUnit).replace(/^\+/, '');
  switch (verdict(value, target, QUANTITY_FACTS[quantity].tells)) {
    case 'high':
      return {
        mark: '▲',
        red: true,
        words: `${off(value - target.high)} ${quantity === 'intonation' ? 'sharp' : 'high'}`,
      };
    case 'low':
      return {
        mark: '▼',
        red: true,
        words: `${off(target.low - value)} ${quantity === 'intonation' ? 'flat' : 'low'}`,
      };
    case 'edge':
      return { mark: '●', red: false, words: 'just in' };
    case 'in':
      return { mark: '●', red: false, words: 'in its band' };
  }
}

/** An edge of a band, short: no further from the edge than a reading can tell, so that who reads just that reads no more. */
function edge(value: number, quantity: Quantity, displayUnit: DisplayUnit): string {
  const unit = unitOf(quantity, displayUnit);
  const says = sayValue(value, quantity, displayUnit).replace(/( mm| c|\/64)$/, '');
  if (unit !== 'thou' || QUANTITY_FACTS[quantity].measure !== 'length') return says;
  const thou = fromMm(value, 'thou');
  const off = Math.abs(toMm(Math.round(thou) - thou, 'thou'));
  return off <= QUANTITY_FACTS[quantity].tells
    ? says
    : (thou / 1000)
        .toFixed(4)
        .replace(/^(-?)0/, '$1')
        .replace('-', '\u2212');
}

/** Says a band short, without its unit: `5–6.3`, `.006–.010`. */
export function sayBand(
  target: Pick<Target, 'low' | 'high'>,
  quantity: Quantity,
  displayUnit: DisplayUnit,
): string {
  const [low, high] = [edge(target.low, quantity, displayUnit), edge(target.high, quantity, displayUnit)];
  return target.low < 0 ? `${low} to ${high}` : `${low}–${high}`;
}
