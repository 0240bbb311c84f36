import fc from 'fast-check';
import type { Kind } from '../instrument/kinds.ts';
import { runs } from '../../runs-for-tests.ts';
import type { DisplayUnit } from '../units/length-units.ts';
import { allWordsIn } from '../units/words-in.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { findPlan, planOfJob, type DecidedLine } from './plan-of-job.ts';
import type { Finding, PlanInput } from './plan-input.ts';
import { input } from './plan-input-for-tests.ts';
import { beginning, lineKey, type ProposalLine } from './proposal.ts';
import type { Plan } from './solve/plans.ts';
import { JOB } from './solve/problem-for-tests.ts';

const find = (i: PlanInput, decisions: readonly DecidedLine[] = [], chosen: Plan['id'] | null = null) =>
  planOfJob(i, JOB, decisions, chosen);
const ids = (lines: readonly ProposalLine[]) => lines.map((l) => l.operation);
const all = ({ proposal }: ReturnType<typeof find>) => [...proposal.lines, ...proposal.then];
const no = (line: ProposalLine | undefined): DecidedLine => ({ line: line?.key ?? '', decision: 'declined' });
const DULL: Finding = {
  item: 'tarnish',
  title: 'Frets bright: dull',
  note: 'greenish',
  leadsTo: 'fret-polish',
  name: 'Polish the frets',
  plain: 'It is out.',
};
const ALL_OUT = { 'relief:0:7': 0.4, 'action:6:12': 3.2, 'action:1:12': 2.6, 'nut-gap:6:1': 0.25 };

describe('what is proposed', () => {
  test.each<Kind>(['steel-acoustic', 'twelve-string', 'nylon', 'solid-electric', 'bass', 'ukulele'])(
    'a %s that is right is left alone',
    (kind) => {
      const { proposal } = find(input(kind));
      expect([...proposal.lines, ...proposal.then]).toEqual([]);
      expect(proposal.leave).toHaveLength(4);
      expect(proposal.missing).toEqual([]);
    },
  );

  test('is the beginning of the plan that is enough, with its own numbers; what follows is the rest of it', () => {
    const found = find(input('steel-acoustic', ALL_OUT));
    const enough = found.plans?.plans.find((p) => p.id === 'sufficient');
    expect(ids(all(found))).toEqual(enough?.operations.map((o) => o.id));
    expect(ids(found.proposal.lines)).toEqual(['rod']);
    expect(found.proposal.lines[0]?.says).toMatch(/Tighten a quarter turn: about 0\.300 mm expected/);
    for (const [i, line] of all(found).entries()) {
      expect(line.key).toBe(lineKey(enough?.operations[i] as Plan['operations'][number]));
      expect(line.says).toContain(enough?.operations[i]?.says);
    }
  });

  test('rests on its readings and says them with their bands and its sum', () => {
    const [rod] = find(input('steel-acoustic', ALL_OUT)).proposal.lines;
    expect(rod?.restsOn).toEqual(['relief:0:7']);
    expect(rod?.why.join(' ')).toMatch(
      /Relief, 7th: read 0\.400 mm; band 0\.150 mm to 0\.250 mm, aim 0\.200 mm/,
    );
    expect(rod?.why.join(' ')).toContain('One eighth usually takes out 0.050 mm');
  });

  test('a pitch that is out waits for the height, is said with what is expected, and is a step once nothing moves before it', () => {
    const sharp = { 'intonation:4:12': 6, 'intonation:1:12': -4 };
    const { proposal, plans } = find(input('bass', { 'action:4:12': 3.4, ...sharp }));
    expect(ids(all({ proposal } as ReturnType<typeof find>))).not.toContain('intonate');
    expect(proposal.waits).toHaveLength(1);
    expect(proposal.waits[0]).toMatch(
      /^Intonation: string 4 \+6, string 1 −4 cents as read\. It is read again when the height is set/,
    );
    expect(proposal.waits[0]).toMatch(
      /A forecast, no reading: [−+]?\d+(\.\d)?( to [−+]?\d+(\.\d)?)? then\.$/,
    );
    expect(plans?.plans.find((p) => p.id === 'leave')?.waits).toEqual([]);
    const alone = find(input('bass', sharp)).proposal;
    expect([alone.waits, ids(alone.lines)]).toEqual([[], expect.arrayContaining(['intonate'])]);
  });

  test('what the plan leaves undone stands with it, each with why', () => {
    const dear = find({
      ...input('steel-acoustic'),
      findings: [{ ...DULL, leadsTo: 'own-nothing' as never }],
    });
    expect(dear.proposal.undone.map((u) => u.what)).toEqual([DULL.title]);
    expect(dear.proposal.undone).toEqual(dear.plans?.plans.find((p) => p.id === 'sufficient')?.undone);
    expect(find(input('steel-acoustic')).proposal.undone).toEqual([]);
  });

  test('whoever reads it reads one unit: nothing else is left in any of its words', () => {
    const { plans, proposal } = find(input('steel-acoustic', { ...ALL_OUT, 'intonation:6:12': 6 }));
    const words = (unit: DisplayUnit) => JSON.stringify(allWordsIn({ plans, proposal }, unit));
    expect(words('mm')).toMatch(/Relief 0\.40 mm at the 7th: bring it to 0\.\d\d mm \(band 0\.15–0\.25 mm\)/);
    expect(words('mm')).not.toMatch(/\/64|\d\.\d{3,4} mm|[ "(]\.0\d\d/);
    expect(words('thou')).toMatch(/Relief \.016 at the 7th: .* \(band \.006–\.010\)/);
    expect(words('thou')).not.toMatch(/\/64|\d\.\d{3,4} mm/);
    expect(words('64ths')).toMatch(/\d\/64, over its band \d/);
    expect(words('64ths')).not.toMatch(/\d\.\d{3,4} mm/);
  });

  test('an action in its band is left out of what is left alone once the plan moves it', () => {
    const { proposal } = find(input('steel-acoustic', { 'action:6:12': 3.2 }));
    expect(proposal.leave).toEqual([
      'Relief: in its band. Leave it.',
      'Nut: in its band. Leave it.',
      'Intonation: in its band. Leave it.',
    ]);
  });

  test('without strings it begins with stringing up; far from pitch with tuning', () => {
    expect(ids(find(input('nylon', {}, { strings: 'off' })).proposal.lines)).toEqual(['string-up']);
    expect(ids(find(input('nylon', {}, { strings: 'off-pitch' })).proposal.lines)).toEqual(['tune-stretch']);
    expect(find(input('nylon', {}, { strings: 'off' })).proposal.leave).toEqual([]);
  });

  test('before anything was read there is no plan, and it says what to read', () => {
    const found = find(input('steel-acoustic', { action: null }));
    expect(found.plans).toBeNull();
    expect(found.problem).toMatchObject({ because: expect.stringContaining('read it') as unknown });
    expect(found.proposal.missing).toEqual(['action:6:12', 'action:1:12']);
  });

  test('a finding is planned before the action is read, and the reading is asked for', () => {
    const { proposal } = find(input('steel-acoustic', { action: null }, { findings: [DULL] }));
    expect(ids([...proposal.lines, ...proposal.then])).toContain('fret-polish');
    expect(proposal.questions.join()).toContain('The action was not read');
  });

  test('stale readings are not used and named in the order to read them again', () => {
    const stale = new Set(['action:6:12', 'relief:0:7']);
    const { proposal } = find(input('steel-acoustic', ALL_OUT, { stale }));
    expect(proposal.stale).toEqual(['relief:0:7', 'action:6:12']);
    expect(proposal.lines.flatMap((l) => l.restsOn)).not.toContain('relief:0:7');
  });
});

describe('a decision belongs to what was decided', () => {
  test('another amount, another direction, or another operation is another line', () => {
    const keyAt = (relief: number) =>
      find(input('steel-acoustic', { 'relief:0:7': relief })).proposal.lines[0]?.key;
    expect(keyAt(0.4)).toBe(keyAt(0.405));
    expect(keyAt(0.4)).not.toBe(keyAt(0.02));
    expect(keyAt(0.3)).not.toBe(keyAt(0.4));
    const saddleAt = (action: number) =>
      all(find(input('steel-acoustic', { 'action:6:12': action }))).find(
        (l) => l.operation === 'saddle-lower',
      )?.key;
    expect(saddleAt(3.2)).toBe(saddleAt(3.2));
    expect(saddleAt(3.2)).not.toBe(saddleAt(3.3));
  });

  test('what was accepted changes nothing of the plan', () => {
    const i = input('steel-acoustic', ALL_OUT);
    const before = find(i);
    const accepted = all(before).map((l): DecidedLine => ({ line: l.key, decision: 'accepted' }));
    expect(find(i, accepted).proposal).toEqual(before.proposal);
  });

  test('declining a line works everything else out without it, and keeps it to be seen', () => {
    const i = input('steel-acoustic', { 'action:6:12': 3.2, 'action:1:12': 2.6 }, { findings: [DULL] });
    const lower = all(find(i)).find((l) => l.operation === 'saddle-lower');
    const without = find(i, [no(lower)]);
    expect(ids(all(without))).not.toContain('saddle-lower');
    expect(ids(all(without))).toContain('fret-polish');
    expect(without.proposal.declined.map((l) => l.key)).toEqual([lower?.key]);
  });

  test('declining the rod leaves no cut that counted on it', () => {
    const i = input('steel-acoustic', ALL_OUT);
    const without = find(i, [no(find(i).proposal.lines[0])]);
    expect(ids(all(without))).not.toEqual(expect.arrayContaining(['saddle-lower']));
    expect(ids(all(without))).not.toEqual(expect.arrayContaining(['nut-slots']));
  });

  test('a finding that was declined stays undone, with that reason, in every plan', () => {
    const i = input('steel-acoustic', {}, { findings: [DULL] });
    const polish = all(find(i)).find((l) => l.operation === 'fret-polish');
    const plans = find(i, [no(polish)]).plans?.plans ?? [];
    for (const p of plans.filter((x) => x.id !== 'leave'))
      expect(p.undone).toContainEqual({ what: DULL.title, why: 'It was declined.' });
  });

  test('once the readings say something else, a line that was declined is asked anew', () => {
    const at = (action: number, decisions: readonly DecidedLine[] = []) =>
      find(input('steel-acoustic', { 'action:6:12': action }), decisions);
    const lower = all(at(3.2)).find((l) => l.operation === 'saddle-lower');
    expect(ids(all(at(3.6, [no(lower)])))).toContain('saddle-lower');
  });
});

test('a chosen plan is what is proposed of; leaving it proposes nothing', () => {
  const i = input('steel-acoustic', ALL_OUT);
  expect(all(find(i, [], 'leave'))).toEqual([]);
  const best = find(i, [], 'best');
  expect(ids(all(best))).toEqual(best.plans?.plans.find((p) => p.id === 'best')?.operations.map((o) => o.id));
});

test('a beginning ends with the first operation after which must be read again', () => {
  const of = (...list: string[]) => beginning(OPERATIONS.filter((o) => list.includes(o.id))).map((o) => o.id);
  expect(of('rod', 'saddle-lower')).toEqual(['rod']);
  expect(of('strings-off', 'fret-polish', 'board-clean', 'play-test')).toEqual([
    'strings-off',
    'fret-polish',
    'board-clean',
    'play-test',
  ]);
  expect(of('strings-off', 'fret-polish', 'nut-slots', 'saddle-lower')).toEqual([
    'strings-off',
    'fret-polish',
    'nut-slots',
  ]);
});

test('with its nut at the heel the neck comes off first, and the rod is turned before anything is read', () => {
  const bass = input('bass', { 'relief:0:7': 0.8 });
  const construction = { ...bass.construction, joint: 'bolted' as const, rodNut: 'heel' as const };
  const { proposal } = find({ ...bass, construction });
  expect(ids(proposal.lines)).toEqual(['strings-off', 'neck-off', 'rod']);
});

test('whatever was read and declined, a declined line is not in the plan and no key stands in it twice', () => {
  const reading = fc.double({ min: -1, max: 1, noNaN: true });
  fc.assert(
    fc.property(
      fc.tuple(reading, reading, reading, reading),
      fc.array(fc.nat(6), { maxLength: 3 }),
      ([relief, bass, treble, gap], against) => {
        const i = input('steel-acoustic', {
          'relief:0:7': 0.2 + relief * 0.3,
          'action:6:12': 2.2 + bass,
          'action:1:12': 1.7 + treble,
          'nut-gap:3:1': 0.1 + Math.abs(gap) * 0.2,
        });
        let decisions: DecidedLine[] = [];
        for (const n of against) {
          const lines = all(find(i, decisions)).filter((l) => l.why.length > 0);
          const line = lines[n % Math.max(1, lines.length)];
          if (line) decisions = [...decisions, no(line)];
        }
        const found = findPlan(i, JOB, decisions, null);
        const keys = all(found).map((l) => l.key);
        expect(new Set(keys).size).toBe(keys.length);
        for (const d of decisions) expect(keys).not.toContain(d.line);
        const gone = new Set(found.proposal.declined.map((l) => l.operation));
        for (const id of ids(all(found))) expect(gone.has(id)).toBe(false);
      },
    ),
    runs(40),
  );
});
