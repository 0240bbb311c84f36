import { fromMm, type LengthUnit } from './length-units.ts';

const trim = (s: string): string => s.replace(/\.?0+$/, '');
/** A sign as it is set; nothing is no less than nothing. */
const minus = (s: string): string =>
  /[1-9½]/.test(s.replace(/\/\d+$/, '')) ? s.replace('-', '\u2212') : s.replace('-', '');

function counted(n: number): string {
  const halves = Math.round(n * 2);
  if (Math.abs(n * 2 - halves) < 0.1) {
    const whole = Math.trunc(halves / 2);
    const half = halves % 2 !== 0;
    const sign = halves < 0 && whole === 0 ? '-' : '';
    return half ? `${sign}${whole === 0 ? '' : whole}½` : String(whole);
  }
  return n.toFixed(1);
}

/** `.008`; a tenth more below one thousandth, where three places would say nothing; an inch and more says its unit. */
function thousandths(n: number): string {
  if (Math.round(Math.abs(n)) >= 1000) return `${(n / 1000).toFixed(3)} in`;
  const tenths = Math.round(Math.abs(n) * 10);
  const places = tenths > 0 && tenths < 10 ? 4 : 3;
  const text = (Math.abs(n) / 1000).toFixed(places).replace(/^0/, '');
  return n < 0 && Number(text) !== 0 ? `-${text}` : text;
}

/**
 * Says a length the way a tech says it, in the unit asked for, with its unit.
 *
 * @param length in mm
 * @example formatLength(1.984375, '64ths') → '5/64'; formatLength(0.2032, 'thou') → '.008'; formatLength(0.95, 'mm') → '0.95 mm'
 */
export function formatLength(length: number, unit: LengthUnit): string {
  const n = fromMm(length, unit);
  switch (unit) {
    case '64ths':
      return minus(`${counted(n)}/64`);
    case '32nds':
      return minus(`${counted(n)}/32`);
    case 'thou':
      return minus(thousandths(n));
    case 'in':
      return minus(`${trim(n.toFixed(4))} in`);
    case 'mm':
      return minus(`${n.toFixed(2)} mm`);
  }
}

/** Says a length in a unit with mm beside it: `2.4/64 (0.95 mm)`. */
export const both = (length: number, unit: LengthUnit): string =>
  unit === 'mm'
    ? formatLength(length, 'mm')
    : `${formatLength(length, unit)} (${formatLength(length, 'mm')})`;
