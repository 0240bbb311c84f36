import { toMm } from '../units/length-units.ts';
import type { StringFact } from './construction-facts.ts';

/**
 * A set as it is written in short: note and gauge in thou, lowest string first; `w` marks a wound string.
 * @example stringSet('G4:24 C4:34 E4:29 A4:22').length → 4
 */
export const stringSet = (spec: string): StringFact[] =>
  spec.split(' ').map((s) => {
    const [note = '', gauge = ''] = s.split(':');
    return { note, gauge: toMm(Number.parseFloat(gauge), 'thou'), wound: gauge.endsWith('w') };
  });
