import type { Operation } from '../../catalogue/operation.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import { findingCalls, isDealtWithBy } from './findings.ts';
import { plansFor } from './plans.ts';
import { problem } from './problem-for-tests.ts';

const finding = (leadsTo: OperationId, note = 'as seen') => ({
  item: `item of ${leadsTo}`,
  title: `Title of ${leadsTo}`,
  note,
  leadsTo,
  name: 'its operation',
  plain: 'It is out.',
});

/** The catalogue with other prices (work and parts together), without what has none. */
const priced = (prices: Partial<Record<OperationId, number | null>>): readonly Operation[] =>
  OPERATIONS.flatMap((o) => {
    const price = prices[o.id];
    if (price === null) return [];
    return [price === undefined ? o : { ...o, price: price - 100, parts: 100 }];
  });

const call = (
  leadsTo: OperationId,
  prices: Partial<Record<OperationId, number | null>> = {},
  worth: number | null = null,
  note?: string,
) => {
  const p = problem(
    'steel-acoustic',
    {},
    { findings: [finding(leadsTo, note)] },
    { worth, catalogue: priced(prices) },
  );
  const [only] = findingCalls(p);
  if (!only) throw new Error('no call');
  return only;
};

describe('what to do about a finding', () => {
  test('repair it: its price, minutes, share of the worth, and when leaving it is better', () => {
    expect(call('bridge-reglue', { 'bridge-reglue': 12_000, 'bridge-new': 35_500 }, 100_000)).toEqual({
      item: 'item of bridge-reglue',
      title: 'Title of bridge-reglue',
      choice: 'repair',
      because: 'Reglue the bridge: ¤120.00, 90 minutes, cannot be undone, 12 % of what it is worth; as seen.',
      would:
        'At a worth under ¤240.00 leaving it is the better answer. Make and glue a new bridge would cost ¤355.00: right where the part is past repair.',
      limit: 'Act when a slip of paper goes 3 mm under its edge.',
    });
  });

  test('what can be undone is not said to be final, a worth nobody knows is said, an empty note too', () => {
    const c = call('tuners', { tuners: 900, 'tuners-new': null }, null, '');
    expect(c.because).toBe(
      'Tighten the tuners and their bushings: ¤9.00, 10 minutes, what it is worth is not known; the inspection says it needs work.',
    );
    expect(c.would).toBe('At a worth under ¤18.00 leaving it is the better answer.');
    expect(c.limit).toBe('Look again at the next visit, and act when it has grown.');
  });

  test('replace it where that costs no more', () => {
    const cheaper = call('clean-controls', { 'clean-controls': 2000, 'switch-new': 2000 });
    expect(cheaper.choice).toBe('replace');
    expect(cheaper.because).toBe(
      'Replace the switch (¤20.00) costs no more than to repair it (¤20.00); as seen.',
    );
    expect(cheaper.would).toBe('Repair it where the part is original and should stay.');
    expect(call('clean-controls', { 'clean-controls': 2000, 'switch-new': 2001 }).choice).toBe('repair');
  });

  test('leave it where either is too dear for what it is worth', () => {
    const dear = call('bridge-reglue', { 'bridge-reglue': 12_000 }, 23_000);
    expect(dear.choice).toBe('leave and watch');
    expect(dear.because).toBe('¤120.00 is over 50 % of what it is worth (¤230.00).');
    expect(dear.would).toMatch(/worth ¤240.00 or more/);
    expect(call('bridge-reglue', { 'bridge-reglue': 12_000 }, 24_000).choice).toBe('repair');
  });

  test('what the shop does not repair is replaced, where it can and where it bears it; else another shop', () => {
    const fresh = call('bridge-plate', { 'bridge-plate': null, 'bridge-new': 30_000 }, 100_000);
    expect(fresh).toMatchObject({
      choice: 'replace',
      would: 'A shop that repairs it would be the other way.',
    });
    expect(fresh.because).toBe(
      'The shop does not repair this. Make and glue a new bridge: ¤300.00; as seen.',
    );
    const elsewhere = { choice: 'leave and watch', because: 'The shop does not do this work.' };
    expect(call('bridge-plate', { 'bridge-plate': null, 'bridge-new': 30_000 }, 50_000)).toMatchObject(
      elsewhere,
    );
    expect(call('bridge-plate', { 'bridge-plate': null, 'bridge-new': null })).toMatchObject(elsewhere);
    const none = call('crack-glue', { 'crack-glue': null });
    expect(none).toMatchObject({ ...elsewhere, would: 'Ask a shop that does.' });
    expect(none.limit).toBe('Mark its ends: act when it passes a mark or its edges part.');
  });

  test.each<[OperationId, OperationId]>([
    ['bridge-reglue', 'bridge-new'],
    ['bridge-plate', 'bridge-new'],
    ['clean-controls', 'switch-new'],
    ['wiring', 'pickup-new'],
    ['tuners', 'tuners-new'],
    ['nut-slots', 'nut-new'],
    ['nut-fill', 'nut-new'],
    ['fret-dress', 'refret'],
    ['fret-spot', 'fret-replace'],
    ['fret-seat', 'fret-replace'],
    ['saddle-shim', 'saddle-new'],
  ])('past repair, %s gives way to %s', (repair, replace) => {
    const name = OPERATIONS.find((o) => o.id === replace)?.name ?? 'no such operation';
    expect(call(repair, { [repair]: null }).because).toContain(name);
  });

  test.each<[OperationId, RegExp]>([
    ['fret-dress', /under 0\.6 mm/],
    ['fret-spot', /0\.030 mm over its neighbours/],
    ['fret-seat', /\.05 mm feeler/],
    ['brace-glue', /\.1 mm feeler/],
    ['bridge-plate', /ball end/],
    ['nut-slots', /catches in tuning/],
    ['rod', /by 0\.030 mm/],
    ['wiring', /^Look again at the next visit/],
  ])('%s has its own moment to act', (leadsTo, limit) => {
    expect(call(leadsTo).limit).toMatch(limit);
  });
});

test('what is left is told the customer in their words, without the bench’s titles and notes', () => {
  const p = problem('steel-acoustic', {}, { findings: [finding('fret-polish', '9th rocks, .003')] });
  const [leave] = plansFor(p).plans;
  expect(leave?.id).toBe('leave');
  expect(leave?.undonePlain).toContain('It is out.');
  expect(leave?.undonePlain.join(' ')).not.toMatch(/rocks|Title of/);
});

test('high slots that are cut deal with sharp first frets, and with nothing else that asks for the nut', () => {
  const low = { item: 'low-frets', leadsTo: 'nut-compensate' } as const;
  expect(isDealtWithBy(low, new Set(['nut-slots']))).toBe(true);
  expect(isDealtWithBy(low, new Set(['nut-compensate']))).toBe(true);
  expect(isDealtWithBy(low, new Set(['rod']))).toBe(false);
  expect(isDealtWithBy({ item: 'nut-cracks', leadsTo: 'nut-new' }, new Set(['nut-slots']))).toBe(false);
});
