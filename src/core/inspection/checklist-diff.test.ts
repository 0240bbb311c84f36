import fc from 'fast-check';
import type { ChecklistItem } from './checklist.ts';
import { diffChecklists, isSame, type ComparedList } from './checklist-diff.ts';
import { BENCH_ARRIVAL } from './lists/bench-arrival.ts';
import { SALES_FLOOR } from './lists/sales-floor.ts';

const item = (key: string, more: Partial<ChecklistItem> = {}): ChecklistItem => ({
  key,
  group: 'First look',
  phase: 'strings-on',
  title: key.toUpperCase(),
  help: 'look',
  when: { all: [] },
  ...more,
});
const list = (keys: string, more: Partial<ComparedList> = {}): ComparedList => ({
  name: 'List',
  ends: [],
  items: [...keys].map((k) => item(k)),
  ...more,
});
const keys = (items: readonly ChecklistItem[]): string => items.map((i) => i.key).join('');

test('a list and itself do not differ', () => {
  for (const l of [BENCH_ARRIVAL, SALES_FLOOR]) expect(isSame(diffChecklists(l, l))).toBe(true);
});

test.each([
  ['one put in front', 'abc', 'xabc', 'x', '', ''],
  ['one taken out', 'abc', 'ac', '', 'b', ''],
  ['the last one put first: one move, not two', 'abcd', 'dabc', '', '', 'd'],
  ['two neighbours changed over: one move', 'abcd', 'acbd', '', '', 'b'],
  ['turned round: all but one move', 'abcd', 'dcba', '', '', 'dcb'],
  ['out, in and moved at once', 'abcd', 'cax', 'x', 'bd', 'c'],
  ['from nothing', '', 'ab', 'ab', '', ''],
  ['to nothing', 'ab', '', '', 'ab', ''],
])('%s', (_, before, after, added, removed, moved) => {
  const d = diffChecklists(list(before), list(after));
  expect([keys(d.added), keys(d.removed), d.moved.length]).toEqual([added, removed, moved.length]);
  expect(d.changed).toEqual([]);
  expect(isSame(d)).toBe(false);
});

test('says which fields of an item changed, and that a condition did', () => {
  const after = list('ab');
  const d = diffChecklists(list('ab'), {
    ...after,
    items: [
      item('a'),
      item('b', { title: 'New', when: { fact: 'vibrato', isNot: ['none'] }, reading: 'relief' }),
    ],
  });
  expect(d.changed.map((c) => [c.before.key, c.fields])).toEqual([['b', ['title', 'when', 'reading']]]);
  expect(d.changed[0]?.after.title).toBe('New');
});

test('a new name or other words at the end are said', () => {
  expect(diffChecklists(list('a'), list('a', { name: 'Other' }))).toMatchObject({
    renamed: true,
    endsChanged: false,
  });
  expect(diffChecklists(list('a'), list('a', { ends: ['done'] }))).toMatchObject({
    renamed: false,
    endsChanged: true,
  });
  expect(isSame(diffChecklists(list('a'), list('a', { ends: ['done'] })))).toBe(false);
  expect(isSame(diffChecklists(list('a'), list('a', { name: 'b' })))).toBe(false);
});

describe('whatever two versions hold', () => {
  const some = fc.uniqueArray(fc.constantFrom(...'abcdefgh'), { maxLength: 8 }).map((k) => list(k.join('')));

  test('taking out, putting in and the rest in the new order gives the second from the first', () => {
    fc.assert(
      fc.property(some, some, (before, after) => {
        const d = diffChecklists(before, after);
        const gone = new Set(d.removed.map((i) => i.key));
        const came = new Set(d.added.map((i) => i.key));
        const moved = new Set(d.moved.map((i) => i.key));
        const stays = (l: ComparedList, without: ReadonlySet<string>) =>
          keys(l.items.filter((i) => !without.has(i.key) && !moved.has(i.key)));
        expect(stays(before, gone)).toBe(stays(after, came));
        expect(before.items.length - gone.size + came.size).toBe(after.items.length);
      }),
    );
  });

  test('the other way round, what was put in is taken out and as many move', () => {
    fc.assert(
      fc.property(some, some, (before, after) => {
        const [there, back] = [diffChecklists(before, after), diffChecklists(after, before)];
        expect([...keys(back.removed)].sort()).toEqual([...keys(there.added)].sort());
        expect(back.moved).toHaveLength(there.moved.length);
      }),
    );
  });
});
