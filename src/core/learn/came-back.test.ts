import { cameBack, type FoundAtVisit } from './came-back.ts';

const DAY = 86_400_000;
const at = (instrument: number, job: number, day: number, item = 'frets'): FoundAtVisit => ({
  instrument,
  job,
  at: day * DAY,
  item,
});
const NOW = 1000 * DAY;

test('a finding that is found again at the same instrument within a year came back, a later one did not', () => {
  expect(cameBack([at(1, 1, 0), at(1, 2, 300)], NOW)).toEqual([{ item: 'frets', found: 2, again: 1 }]);
  expect(cameBack([at(1, 1, 0), at(1, 2, 400)], NOW)).toEqual([{ item: 'frets', found: 2, again: 0 }]);
  // Of another instrument, or at another item, it is another finding.
  expect(cameBack([at(1, 1, 0), at(2, 2, 10), at(1, 3, 20, 'nut')], NOW).every((r) => r.again === 0)).toBe(
    true,
  );
});

test('a finding whose year is not over says nothing unless it came back', () => {
  expect(cameBack([at(1, 1, 900)], NOW)).toEqual([]);
  expect(cameBack([at(1, 1, 900), at(1, 2, 950)], NOW)).toEqual([{ item: 'frets', found: 1, again: 1 }]);
});

test('twice at one visit is one visit', () => {
  expect(cameBack([at(1, 1, 0), at(1, 1, 0)], NOW)).toEqual([{ item: 'frets', found: 2, again: 0 }]);
});
