import { expect, test } from 'vitest';
import {
  ACTS,
  DANGERS,
  HAZARD_IDS,
  HAZARDS,
  hazardsOf,
  MATERIALS,
  PROTECTION,
  protectionFor,
  type ActId,
  type MaterialId,
} from './hazards.ts';
import { OPERATIONS } from './operations.ts';

test('every caution of the catalogue is one of the list, and each is about something that is done to something', () => {
  const known = new Set<string>(Object.values(HAZARDS));
  for (const o of OPERATIONS) for (const h of o.hazards) expect(known.has(h), `${o.id}: ${h}`).toBe(true);
  for (const id of HAZARD_IDS) {
    expect(DANGERS[id].materials.length, id).toBeGreaterThan(0);
    expect(DANGERS[id].acts.length, id).toBeGreaterThan(0);
  }
});

test('every material and every act has a caution', () => {
  for (const m of Object.keys(MATERIALS) as MaterialId[]) expect(hazardsOf(m, null), m).not.toEqual([]);
  for (const a of Object.keys(ACTS) as ActId[]) expect(hazardsOf(null, a), a).not.toEqual([]);
  expect(hazardsOf('bone', 'sand')).toEqual(['dust', 'machine']);
  expect(hazardsOf('mains', 'repair')).toEqual(['mains']);
  expect(hazardsOf('battery', 'spray')).toEqual([]);
});

test('what is worn or switched on follows from the cautions, each once; the shop’s own words name nothing', () => {
  expect(protectionFor([HAZARDS.dust, HAZARDS.machine]).map((p) => PROTECTION[p])).toEqual([
    'eye protection',
    'respirator',
    'ear protection',
    'extraction on',
    'small parts in a vice',
  ]);
  expect(protectionFor(['Mind the cat.'])).toEqual([]);
  // Dust is never worked without a mask, nor a solvent near a flame.
  expect(protectionFor([HAZARDS.solvent])).toContain('no-flame');
});
