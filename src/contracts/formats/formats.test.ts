import { BENCH_ARRIVAL } from '../../core/inspection/lists/bench-arrival.ts';
import { PLAIN_SETUP } from '../../core/inspection/lists/plain-setup.ts';
import { SALES_FLOOR } from '../../core/inspection/lists/sales-floor.ts';
import { toChecklistsFile } from './checklist-items.ts';
import { checklistsFormat, checklistsSchema } from './checklists.ts';

const file = toChecklistsFile([BENCH_ARRIVAL, PLAIN_SETUP, SALES_FLOOR]);
const [list] = file;

describe('the checklists’ format', () => {
  test('what ships is in it, unchanged by a round trip through text', () => {
    expect(checklistsFormat.parse(JSON.parse(JSON.stringify(file)))).toEqual(file);
    expect(file.map((l) => l.id)).toEqual(['bench-arrival', 'plain-setup', 'sales-floor']);
    expect(Object.keys(list?.items[0] ?? {})).toEqual(
      expect.arrayContaining(['id', 'text', 'phase', 'when', 'reading']),
    );
  });

  test.each<[string, (l: Record<string, unknown>) => unknown]>([
    ['no items', (l) => ({ ...l, items: [] })],
    ['a phase of its own', (l) => ({ ...l, items: [{ ...list?.items[0], phase: 'later' }] })],
    ['code for a condition', (l) => ({ ...l, items: [{ ...list?.items[0], when: 'vibrato != none' }] })],
    [
      'an unknown fact',
      (l) => ({ ...l, items: [{ ...list?.items[0], when: { fact: 'colour', is: ['red'] } }] }),
    ],
    ['an unknown reading', (l) => ({ ...l, items: [{ ...list?.items[0], reading: 'weight' }] })],
    ['a field more', (l) => ({ ...l, owner: 'me' })],
    ['an id with a blank', (l) => ({ ...l, id: 'bench arrival' })],
  ])('%s is refused', (_, spoil) => {
    expect(checklistsFormat.safeParse([spoil({ ...list })]).success).toBe(false);
  });

  test('its schema is published for lists of items', () => {
    expect(checklistsSchema()).toMatchObject({ type: 'array', title: 'Rubrica checklists' });
  });
});
