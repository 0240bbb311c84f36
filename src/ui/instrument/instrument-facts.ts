import type { AssumedFact } from '../../core/instrument/assumable.ts';
import type { FACTS } from '../../core/instrument/construction-facts.ts';

/** What each construction fact is called on a form. */
export const FACT_NAMES: Readonly<Record<keyof typeof FACTS, string>> = {
  joint: 'Neck joint',
  rod: 'Truss rod',
  rodNut: 'Rod nut',
  bridge: 'Bridge and saddle',
  vibrato: 'Vibrato',
  nut: 'Nut',
  electronics: 'Electronics',
  finish: 'Finish',
  fingerboard: 'Fingerboard',
};

/** With which of the facts one looks at it is seen: the rod’s nut with the rod. */
export const seenWith = (fact: keyof typeof FACTS): AssumedFact => (fact === 'rodNut' ? 'rod' : fact);
