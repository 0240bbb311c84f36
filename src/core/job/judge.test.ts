/** A job as a plain value is judged without a house: what is stale, what is asked, what is proposed. */
import fc from 'fast-check';
import { BENCH_ARRIVAL } from '../inspection/lists/bench-arrival.ts';
import { benchTrouble, sayTrouble } from '../hand-over/bench-trouble.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { USUAL_METHODS } from '../readings/methods.ts';
import type { Reading } from '../readings/reading.ts';
import { stationsOf } from '../readings/stations.ts';
import { SHIPPED_TARGETS } from '../targets/shop-targets.ts';
import { judge } from './judge.ts';
import type { JudgedJob, JudgedLine, JudgingShop } from './judged-job.ts';

const construction = usualConstruction('steel-acoustic');
const stations = stationsOf(construction, {
  methods: USUAL_METHODS,
  order: ['relief', 'nut-gap', 'action', 'intonation'],
  firstString: 'lowest',
} as Parameters<typeof stationsOf>[1]);
const at = (minute: number) => new Date(Date.UTC(2026, 10, 20, 10, minute));
const VALUES: Readonly<Record<string, number>> = { relief: 0.2, 'nut-gap': 0.1, action: 2.1, intonation: 0 };

function read(
  minute: number,
  round = 'as-found',
  more: Partial<Reading> = {},
): (Reading & { position: string })[] {
  return stations
    .filter((s) => !s.optional)
    .map((s) => ({
      key: s.key,
      quantity: s.quantity,
      string: s.string,
      fret: s.fret,
      value: VALUES[s.quantity] ?? 1,
      round: round as Reading['round'],
      takenAt: at(minute).getTime(),
      notRepresentative: null,
      position: 'playing',
      ...more,
    }));
}

const line = (
  operation: JudgedLine['operation'],
  finished: number | null,
  approval: JudgedLine['approval'] = 'yes',
): JudgedLine => ({
  title: OPERATIONS.find((o) => o.id === operation)?.name ?? operation,
  operation,
  approval,
  finishedAt: finished === null ? null : at(finished),
});

const job = (more: Partial<JudgedJob> = {}): JudgedJob & JudgingShop => ({
  job: { touch: 'medium', stringsState: 'at-pitch' },
  instrument: { construction, worthMinor: null },
  checklist: BENCH_ARRIVAL,
  answers: [],
  rounds: [{ strings: 'at-pitch' }],
  standard: read(0),
  wishes: [],
  stations,
  stringChanges: [],
  lines: [],
  decisions: [],
  choice: null,
  turns: [],
  catalogue: OPERATIONS,
  shopTargets: SHIPPED_TARGETS,
  info: { currency: '¤' },
  ...more,
});
const stale = (j: JudgedJob & JudgingShop) => new Set([...judge(j).stale.keys()].map((k) => k.split(':')[0]));

test.each([
  ['nothing done', [], []],
  ['a rod turned after they were read', [line('rod', 10)], ['relief', 'action', 'nut-gap', 'intonation']],
  ['a rod turned before', [line('rod', -10)], []],
  ['a rod turned and not finished', [line('rod', null)], []],
  ['the body wiped', [line('clean-body', 10)], []],
] as const)('%s', (_, lines, quantities) => {
  expect(stale(job({ lines: [...lines] }))).toEqual(new Set(quantities));
});

test('strings that went on make stale what hangs on them, those that came off do not', () => {
  const on = { kind: 'on' as const, fresh: true, changedAt: at(10) };
  expect(stale(job({ stringChanges: [{ ...on, kind: 'off', fresh: null }] })).size).toBe(0);
  expect([...stale(job({ stringChanges: [on] }))]).toEqual(expect.arrayContaining(['relief', 'intonation']));
});

test('what needs work and leads to an operation is a finding; what is to be watched is none', () => {
  const [leads] = BENCH_ARRIVAL.items.filter((i) => i.leadsTo !== undefined);
  if (!leads) throw new Error('no item leads to work');
  const said = (answer: 'work' | 'watch', more: Partial<JudgedJob> = {}) =>
    judge(
      job({
        answers: [{ item: leads.key, answer, note: 'see photo', finding: null, answeredAt: at(1) }],
        ...more,
      }),
    ).planInput.findings;
  const [found] = said('work');
  expect(found).toMatchObject({ item: leads.key, note: 'see photo' });
  expect(said('watch')).toEqual([]);
  // What was dealt with since is none any more; what was dealt with before it was found again is.
  const id = found?.leadsTo ?? 'rod';
  expect(said('work', { lines: [line(id, 10)] })).toEqual([]);
  expect(said('work', { lines: [line(id, -10)] })).toHaveLength(1);
});

test('what is part of another operation is dealt with by that: a slot that grips by a new nut', () => {
  const found = (lines: JudgedLine[]) =>
    judge(
      job({
        answers: [{ item: 'grip', answer: 'work', note: '', finding: 'grips', answeredAt: at(1) }],
        lines,
      }),
    ).planInput.findings.map((f) => f.leadsTo);
  expect(found([])).toEqual(['nut-slots']);
  expect(found([line('nut-new', 10)])).toEqual([]);
  expect(found([line('nut-shim', 10)])).toEqual(['nut-slots']);
});

test('strings taken off after readings stand leave the plan; without readings they do not', () => {
  const off = {
    rounds: [{ strings: 'off' as const }],
    job: { touch: 'medium' as const, stringsState: 'off' as const },
  };
  expect(judge(job(off)).planInput.strings).toBe('at-pitch');
  expect(judge(job({ ...off, standard: [] })).planInput.strings).toBe('off');
});

test('what is asked of the customer is counted', () => {
  expect(judge(job({ lines: [line('rod', null, 'asked'), line('clean-body', null)] })).asked).toBe(1);
});

test('the same job gives the same judgement, whatever the order of its lines', () => {
  const lines = [line('rod', 10), line('clean-body', 12), line('saddle-lower', 14), line('nut-slots', 16)];
  const whole = judge(job({ lines }));
  fc.assert(
    fc.property(fc.shuffledSubarray(lines, { minLength: lines.length }), (shuffled) => {
      const again = judge(job({ lines: shuffled }));
      expect(new Set(again.stale.keys())).toEqual(new Set(whole.stale.keys()));
      expect(again.proposal).toEqual(whole.proposal);
    }),
    { numRuns: 20 },
  );
});

describe('the bench check', () => {
  const troubleOf = (left: ReturnType<typeof read>, more: Partial<JudgedJob> = {}) => {
    const j = job({ ...more, standard: [...read(0), ...left] });
    const trouble = benchTrouble({ ...j, standard: [...read(0), ...left] }, judge(j));
    return { trouble, words: sayTrouble(trouble).join(' | ') };
  };
  test('nothing read as left', () => {
    expect(troubleOf([]).words).toMatch(/^\d+ readings as left are missing/);
  });
  test('read on its back', () => {
    const left = read(20, 'as-left').map((r) => ({ ...r, position: 'on-its-back' }));
    expect(troubleOf(left).words).toContain('on its back');
  });
  test('far out of its band', () => {
    const left = read(20, 'as-left').map((r) => (r.quantity === 'relief' ? { ...r, value: 0.9 } : r));
    expect(troubleOf(left).trouble.outOfBand.length).toBeGreaterThan(0);
  });
});
