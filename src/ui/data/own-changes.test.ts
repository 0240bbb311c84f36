/** A change of one's own is looked at once, and never not at all. */
import fc from 'fast-check';
import { runs } from '../../runs-for-tests.ts';
import { OwnChanges } from './own-changes.ts';

/** The commands of a screen that stays at the rack. */
const atRack = (missed: () => void = () => undefined): OwnChanges => new OwnChanges(missed, () => '/rack');

test('what this screen did is passed over, before its answer and after it; what others did is not', () => {
  const own = atRack();
  own.begin('a');
  expect(own.passesOver('a')).toBe(true);
  own.end('a', true);
  expect(own.passesOver('a')).toBe(true);
  expect([own.passesOver('b'), own.passesOver(null), own.passesOver(undefined)]).toEqual([
    false,
    false,
    false,
  ]);
});

test('a page that came meanwhile may be older than the change: it looks when it hears of it', () => {
  let page = '/job/1/work';
  const own = new OwnChanges(
    () => undefined,
    () => page,
  );
  own.begin('a');
  own.end('a', true);
  page = '/rack';
  expect(own.passesOver('a')).toBe(false);
  page = '/job/1/work';
  expect(own.passesOver('a')).toBe(true);
});

test('an answer that never came: the change that was passed over is looked at after all', () => {
  let looked = 0;
  const own = atRack(() => looked++);
  own.begin('a');
  own.end('a', false);
  expect(looked).toBe(0);
  expect(own.passesOver('a')).toBe(false);
  own.begin('b');
  own.passesOver('b');
  own.end('b', false);
  expect(looked).toBe(1);
});

test('what a page that is loaded anew asked for before is heard of like anybody’s, and its late answer changes nothing', () => {
  let looked = 0;
  const own = atRack(() => looked++);
  own.begin('a');
  own.begin('b');
  expect(own.passesOver('b')).toBe(true);
  own.forget();
  own.end('a', true);
  own.end('b', false);
  expect([own.passesOver('a'), own.passesOver('b'), looked]).toEqual([false, false, 0]);
});

test('of hundreds of commands the newest are remembered', () => {
  const own = atRack();
  for (let i = 0; i < 500; i++) {
    own.begin(String(i));
    own.end(String(i), true);
  }
  expect([own.passesOver('0'), own.passesOver('499')]).toEqual([false, true]);
});

/** One thing that happens to one of three commands. */
interface Step {
  readonly what: 'begin' | 'commit' | 'hear' | 'answer' | 'lose';
  readonly of: number;
}

test('in whatever order changes, answers and the house’s words come, each change is looked at after it was made', () => {
  const step = fc.record({
    what: fc.constantFrom<Step['what']>('begin', 'commit', 'hear', 'answer', 'lose'),
    of: fc.nat(2),
  });
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      /** by command: whether it was given, stands in the house, was looked at since, and was told to this screen */
      const all = [0, 1, 2].map(() => ({
        given: false,
        stands: false,
        shown: false,
        told: false,
        over: false,
      }));
      const look = () => all.forEach((c) => (c.shown = c.stands));
      const own = new OwnChanges(look, () => '/rack');
      for (const { what, of } of steps) {
        const c = all[of];
        if (!c) continue;
        if (what === 'begin' && !c.given) {
          c.given = true;
          own.begin(String(of));
        }
        if (what === 'commit' && c.given && !c.over) c.stands = true;
        if (what === 'hear' && c.stands && !c.told) {
          c.told = true;
          if (!own.passesOver(String(of))) look();
        }
        // It is answered when it stands, and the screen looks; or the answer is lost, and it does not.
        if (what === 'answer' && c.stands && !c.over) {
          c.over = true;
          own.end(String(of), true);
          look();
        }
        if (what === 'lose' && c.given && !c.over) {
          c.over = true;
          own.end(String(of), false);
        }
      }
      // In the end whatever stands is told, and nothing is waited for for ever.
      all.forEach((c, of) => {
        if (c.stands && !c.told && !own.passesOver(String(of))) look();
        if (c.given && !c.over) own.end(String(of), false);
      });
      return all.every((c) => c.shown === c.stands);
    }),
    runs(500, 5000),
  );
});
