import fc from 'fast-check';
import { OPERATIONS, operation } from '../catalogue/operations.ts';
import { inWorkOrder, type NeedsOf } from '../catalogue/order-of-work.ts';
import { placesAfter, rangeOf, whyNotAt, type OrderLine } from './order-of-lines.ts';

const needs: NeedsOf = (id) => operation(id).needs;
const line = (id: number, op: OrderLine['operation'], sort: number): OrderLine => ({
  id,
  operation: op,
  title: operation(op).name,
  sort,
});

/** What an operation needs, by all that leads there, found by walking: independent of the code under test. */
function reaches(
  from: OrderLine['operation'],
  to: OrderLine['operation'],
  lines: readonly OrderLine[],
): boolean {
  const isOn = (id: string) => lines.some((l) => l.operation === id);
  const next = (id: OrderLine['operation']) =>
    // The strings come off for nothing that is not done.
    needs(id).filter((n) => n !== 'strings-off' || isOn(id));
  const seen = new Set<string>();
  const stack = next(from);
  for (let one = stack.pop(); one !== undefined; one = stack.pop()) {
    if (seen.has(one)) continue;
    if (one === to) return true;
    seen.add(one);
    stack.push(...next(one));
  }
  return false;
}

const orders = fc
  .uniqueArray(fc.constantFrom(...OPERATIONS.map((o) => o.id)), { minLength: 1, maxLength: 9 })
  .chain((ids) =>
    fc.tuple(
      fc.constant(ids),
      fc.array(fc.integer({ min: 0, max: 20 }), { minLength: ids.length, maxLength: ids.length }),
    ),
  )
  .map(([ids, sorts]) => ids.map((id, i) => line(i + 1, id, sorts[i] ?? 0)));

const keepsNeeds = (lines: readonly OrderLine[]): boolean =>
  lines.every((l, i) => lines.slice(i + 1).every((later) => !reaches(l.operation, later.operation, lines)));

test('a saddle placed before the rod it needs comes after it', () => {
  const lines = [line(1, 'saddle-lower', 0), line(2, 'rod', 5)];
  expect(inWorkOrder(lines, needs).map((l) => l.operation)).toEqual(['rod', 'saddle-lower']);
});

test('the strings come off after the rod and before the frets, as in a plan; where somebody moved that line, it stays', () => {
  const lines = (['strings-off', 'rod', 'fret-spot', 'play-test'] as const).map((id, i) =>
    line(i + 1, id, operation(id).order),
  );
  const order = (some: readonly OrderLine[]) => inWorkOrder(some, needs).map((l) => l.operation);
  expect(order(lines)).toEqual(['rod', 'strings-off', 'fret-spot', 'play-test']);
  const ordered = inWorkOrder(lines, needs);
  const moved = placesAfter(ordered, 1, 0);
  const after = lines.map((l) => ({ ...l, sort: moved.find((m) => m.id === l.id)?.sort ?? 0 }));
  expect(order(after)).toEqual(['strings-off', 'rod', 'fret-spot', 'play-test']);
});

test('once the strings are off what is done without them comes before the rod, which wants them on', () => {
  const lines = (step: string, rod: string) =>
    (['strings-off', 'bridge-reglue', 'rod'] as const).map((id, i) => ({
      ...line(i + 1, id, operation(id).order),
      ...(id === 'strings-off' && { step }),
      ...(id === 'rod' && { step: rod }),
    }));
  const order = (step: string, rod = 'ready') => inWorkOrder(lines(step, rod), needs).map((l) => l.operation);
  expect(order('ready')).toEqual(['rod', 'strings-off', 'bridge-reglue']);
  expect(order('finished')).toEqual(['strings-off', 'bridge-reglue', 'rod']);
  expect(order('finished', 'finished')).toEqual(['rod', 'strings-off', 'bridge-reglue']);
});

test('a neck is whole before its rod is set, also by a catalogue kept before that was known', () => {
  const kept: NeedsOf = (id) => (id === 'rod' ? [] : needs(id));
  const lines = (['strings-off', 'headstock-glue', 'rod'] as const).map((id, i) =>
    line(i + 1, id, operation(id).order),
  );
  for (const by of [needs, kept])
    expect(inWorkOrder(lines, by).map((l) => l.operation)).toEqual(['strings-off', 'headstock-glue', 'rod']);
});

test('no line stands before one that it needs, whatever the places say, and none is lost', () => {
  fc.assert(
    fc.property(orders, (lines) => {
      const ordered = inWorkOrder(lines, needs);
      expect(ordered.map((l) => l.id).sort()).toEqual(lines.map((l) => l.id).sort());
      expect(keepsNeeds(ordered)).toBe(true);
      expect(inWorkOrder(ordered, needs)).toEqual(ordered);
    }),
  );
});

test('a line moves exactly as far as keeps every need, found by trying each place', () => {
  fc.assert(
    fc.property(orders, fc.nat(), (lines, pick) => {
      const ordered = inWorkOrder(lines, needs);
      const one = ordered[pick % ordered.length] as OrderLine;
      const rest = ordered.filter((l) => l.id !== one.id);
      for (let to = 0; to < ordered.length; to++) {
        const tried = [...rest.slice(0, to), one, ...rest.slice(to)];
        expect(whyNotAt(ordered, one.id, to, needs) === null).toBe(keepsNeeds(tried));
      }
      const { first, last } = rangeOf(ordered, one.id, needs);
      expect(first).toBeLessThanOrEqual(last);
    }),
  );
});

test('after a move the lines come in the order that was asked for', () => {
  fc.assert(
    fc.property(orders, fc.nat(), fc.nat(), (lines, pick, where) => {
      const ordered = inWorkOrder(lines, needs);
      const one = ordered[pick % ordered.length] as OrderLine;
      const { first, last } = rangeOf(ordered, one.id, needs);
      const to = first + (where % (last - first + 1));
      const places = placesAfter(ordered, one.id, to);
      const moved = ordered.map((l) => ({ ...l, sort: places.find((p) => p.id === l.id)?.sort ?? 0 }));
      expect(inWorkOrder(moved, needs).findIndex((l) => l.id === one.id)).toBe(to);
    }),
  );
});

test.each([
  [9, 0, 'There is no such place on the order.'],
  [1, -1, 'There is no such place on the order.'],
  [1, 2, 'There is no such place on the order.'],
  [1, 1, 'needs “Adjust the truss rod” first.'],
  [2, 0, 'needs “Adjust the truss rod” first.'],
])('line %i at place %i: %s', (id, to, why) => {
  const ordered = [line(1, 'rod', 0), line(2, 'saddle-lower', 1)];
  expect(whyNotAt(ordered, id, to, needs)).toContain(why);
});

test('a line that is not there moves nothing', () => {
  expect(placesAfter([line(1, 'rod', 0)], 7, 0)).toEqual([]);
  expect(rangeOf([], 1, needs)).toEqual({ first: 0, last: -1 });
});
