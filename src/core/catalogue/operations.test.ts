import { usualConstruction } from '../instrument/defaults.ts';
import { FINDINGS } from '../inspection/findings.ts';
import { USUAL_LIMITS } from '../plan/plan-rules.ts';
import { QUANTITIES } from '../readings/quantities.ts';
import { OPERATION_IDS, type OperationId } from './operation-ids.ts';
import {
  agreedOperation,
  askedFor,
  customerIsTold,
  fittingOf,
  OPERATIONS,
  operation,
  ownOperation,
  standsInFor,
  wholeOperation,
} from './operations.ts';

/** Everything an operation waits for, through all that those wait for. */
function before(id: OperationId, seen = new Set<OperationId>()): Set<OperationId> {
  for (const need of operation(id).needs) {
    if (seen.has(need)) continue;
    seen.add(need);
    before(need, seen);
  }
  return seen;
}

describe('the catalogue', () => {
  test('has every operation once, and at least forty-five', () => {
    expect(OPERATIONS.map((o) => o.id).sort()).toEqual([...OPERATION_IDS].sort());
    expect(new Set(OPERATIONS.map((o) => o.name)).size).toBe(OPERATIONS.length);
    expect(OPERATIONS.length).toBeGreaterThanOrEqual(45);
  });

  test.each(OPERATIONS.map((o) => [o.id, o] as const))('%s is whole', (id, o) => {
    expect(before(id).has(id)).toBe(false);
    expect(o.minutes.low).toBeGreaterThan(0);
    expect(o.minutes.likely).toBeGreaterThanOrEqual(o.minutes.low);
    expect(o.minutes.high).toBeGreaterThanOrEqual(o.minutes.likely);
    expect(Number.isInteger(o.price + o.parts + o.wait)).toBe(true);
    for (const q of o.stale) expect(QUANTITIES).toContain(q);
    if (!o.reversible) expect([id, o.hazards.length]).not.toEqual([id, 0]);
  });

  test.each([
    ['fret-dress', 'rod'],
    ['nut-slots', 'fret-dress'],
    ['saddle-lower', 'nut-slots'],
    ['intonate', 'saddle-lower'],
    ['play-test', 'intonate'],
    ['refret', 'board-plane'],
  ] as const)('%s comes after %s, in the order of a setup too', (late, early) => {
    expect(before(late).has(early)).toBe(true);
    expect(operation(late).order).toBeGreaterThan(operation(early).order);
  });
});

describe('one record says all of an operation', () => {
  const named = new Set([...FINDINGS].flatMap(([item, all]) => all.map((f) => `${item}:${f.id}`)));

  test.each(OPERATIONS.map((o) => [o.id, o] as const))('%s names what there is', (_, o) => {
    for (const id of [...o.needs, ...o.replaces]) expect(OPERATION_IDS).toContain(id);
    for (const finding of o.askedBy) expect(named).toContain(finding);
    for (const q of o.restsOn) expect(QUANTITIES).toContain(q);
    for (const [, limit] of o.actWhen.matchAll(/\{(\w+)\}/g))
      expect(typeof USUAL_LIMITS[limit as 'fretHeight']).toBe('number');
    // What takes from a part is for good, and waits for a straight neck.
    if (o.takesFrom !== null) expect([o.reversible, o.wantsStraight]).toEqual([false, true]);
    if (o.customer !== '') expect(o.customer).toMatch(/^[A-Z].*\.$/);
  });

  test('the customer has a sentence of everything that can stand on an estimate', () => {
    expect(OPERATIONS.filter((o) => o.customer === '').map((o) => o.id)).toEqual([]);
  });

  test('no finding is asked for twice by what ships', () => {
    const all = OPERATIONS.flatMap((o) => o.askedBy);
    expect(new Set(all).size).toBe(all.length);
  });

  test('a shop’s own operation is asked for before what ships, and stands in as it says', () => {
    const cap = {
      ...ownOperation('own-cap', 'Glue a cap over the plate'),
      askedBy: ['plate:worn'],
      replaces: ['pins'] as const,
    };
    expect(askedFor('plate:worn', OPERATIONS)).toBe('bridge-plate');
    expect(askedFor('plate:worn', [...OPERATIONS, cap])).toBe('own-cap');
    expect(askedFor('plate:cracked', [...OPERATIONS, cap])).toBe('bridge-plate');
    expect(askedFor('plate:worn', [])).toBe('bridge-plate');
    expect(askedFor('plate:nonsense', OPERATIONS)).toBeNull();
    expect(standsInFor('pins', [...OPERATIONS, cap])).toBe('own-cap');
    expect(standsInFor('bridge-reglue', OPERATIONS)).toBe('bridge-new');
    expect(standsInFor('play-test', OPERATIONS)).toBeNull();
  });

  test('what was kept before it was known for anything is as it ships; what was kept stands', () => {
    const { customer: _, takesFrom: __, ...bare } = { ...operation('saddle-lower'), price: 4321 };
    expect(wholeOperation(bare)).toEqual({ ...operation('saddle-lower'), price: 4321 });
    const own = { ...ownOperation('own-x', 'X'), customer: 'We do X.' };
    expect(wholeOperation(own)).toEqual(own);
    expect(agreedOperation({ operation: 'rod', record: { ...operation('rod'), wait: 1 } }, []).wait).toBe(1);
    expect(agreedOperation({ operation: 'rod', record: null }, []).wait).toBe(operation('rod').wait);
  });

  test('the customer is told afterwards what was done, never what is to be', () => {
    for (const o of OPERATIONS) {
      expect(o.done === '', o.id).toBe(o.customer === '');
      if (o.done === '') continue;
      expect(o.done, o.id).not.toBe(o.customer);
      // What is meant to last is said as it is; what somebody did is over.
      expect(o.done, o.id).toMatch(/\b(was|were|has a new)\b.*\.$/);
    }
    const restrung = { operation: 'restring' as const, title: 'New strings' };
    const told = (step: string, record: ReturnType<typeof operation> | null = null): string =>
      customerIsTold({ ...restrung, step, record }, OPERATIONS);
    expect(told('running')).toBe('It gets a new set of strings.');
    expect(told('finished')).toBe('It has a new set of strings.');
    const own = { ...operation('restring'), customer: 'Our own set.', done: '' };
    expect(told('finished', own)).toBe('Our own set.');
    // What is nothing to them stays so, and where it costs something it has its line's name.
    expect(told('finished', { ...operation('restring'), customer: '' })).toBe('New strings');
  });

  test('who wrote a sentence of their own before there were two of them is said no other', () => {
    const { done: _, ...kept } = operation('restring');
    expect(wholeOperation(kept).done).toBe('It has a new set of strings.');
    expect(wholeOperation({ ...kept, customer: 'Flat-wounds of ours.' }).done).toBe('');
  });
});

test('offered is what an instrument has something for, and what was chosen before', () => {
  const nylon = { ...usualConstruction('nylon'), rod: 'none' as const, electronics: 'none' as const };
  const ids = (...chosen: readonly OperationId[]) => fittingOf(OPERATIONS, nylon, chosen).map((o) => o.id);
  for (const not of ['rod', 'battery', 'vibrato', 'saddle-set', 'pins'] as const)
    expect(ids()).not.toContain(not);
  for (const there of ['saddle-lower', 'nut-slots', 'brace-glue'] as const) expect(ids()).toContain(there);
  expect(ids('rod').filter((id) => !ids().includes(id))).toEqual(['rod']);
  expect(fittingOf(OPERATIONS, null)).toHaveLength(OPERATIONS.length);
});
