import { alongString, scaleOf } from '../instrument/scales.ts';
import { intonationPlan } from '../intonation/intonation-plan.ts';
import { saddleMove } from '../intonation/saddle-move.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { input } from '../plan/plan-input-for-tests.ts';
import { hearTuning } from '../strings/hear-tuning.ts';
import { pulls } from '../strings/string-pull.ts';
import { buzzChance } from './buzz-chance.ts';
import { handFor, mapOfNeck } from './clearance-map.ts';
import { actionOver, consequences } from './consequences.ts';
import { NO_MOVES } from './moves.ts';
import { neckModel, type NeckModel } from './neck-model.ts';

/** A neck whose frets fan out, and each of its strings on a neck of its own scale with straight frets. */
function necks(): { readonly fanned: NeckModel; readonly straight: readonly NeckModel[] } {
  const plan = input('bass', { 'relief:0:7': 0.25, 'action:4:12': 2.4, 'action:1:12': 2 });
  const construction = {
    ...plan.construction,
    scale: 838.2,
    fan: { bass: 863.6, treble: 812.8, straight: 7 },
  };
  const made = (c: typeof construction) => {
    const m = neckModel({ ...plan, construction: c, set: undefined });
    if (!m) throw new Error('no action');
    return m;
  };
  return {
    fanned: made(construction),
    straight: construction.strings.map((_, i) => made(alongString(construction, i) as typeof construction)),
  };
}
const MOVES = {
  ...NO_MOVES,
  relief: -0.05,
  bass: -0.4,
  treble: -0.2,
  contact: [0.5, 0, -0.3, 1],
  nut: [0, -0.1, 0, 0],
};

describe('frets that fan out', () => {
  test('each string stands as on a neck of its own scale: heights, pitch, pull and room', () => {
    const { fanned, straight } = necks();
    const of = (m: NeckModel) => {
      const o = consequences(m, MOVES);
      // The same hand everywhere: what differs is the neck alone.
      const hand = handFor(fanned, 'medium');
      return { o, map: mapOfNeck(m, o, hand) };
    };
    const all = of(fanned);
    straight.forEach((m, i) => {
      const own = of(m);
      expect(all.o.pull[i]).toBeCloseTo(own.o.pull[i] ?? NaN, 9);
      expect(all.o.action[i]).toBeCloseTo(own.o.action[i] ?? NaN, 9);
      expect(all.o.saddle[i]).toBeCloseTo(own.o.saddle[i] ?? NaN, 9);
      expect(all.o.predicted[i]).toBeCloseTo(own.o.predicted[i] ?? NaN, 9);
      expect(actionOver(fanned, all.o, i, 17)).toBeCloseTo(actionOver(m, own.o, i, 17), 9);
      all.map[i]?.margin.forEach((margin, held) =>
        expect(margin).toBeCloseTo(own.map[i]?.margin[held] ?? NaN, 9),
      );
    });
    // They do differ: the longest pulls harder than it would on the shortest’s neck.
    expect((all.o.pull[0] ?? 0) / (straight[3] ? (of(straight[3]).o.pull[0] ?? 1) : 1)).toBeCloseTo(
      ((863.6 + fanned.construction.compensation) / (812.8 + fanned.construction.compensation)) ** 2,
      6,
    );
  });

  test('without any spread a buzz is as sure as its margin says, string by string', () => {
    const { fanned } = necks();
    const hand = handFor(fanned, 'heavy', 30);
    const none = { relief: 0, action: 0, nut: 0, tops: 0, force: 0 };
    const maps = mapOfNeck(fanned, consequences(fanned, MOVES), hand);
    const { chance } = buzzChance(fanned, MOVES, hand, none, { draws: 3 });
    chance.forEach((row, i) =>
      row.forEach((p, held) => expect(p).toBe((maps[i]?.margin[held] ?? 0) < 0 ? 1 : 0)),
    );
  });

  test('a contact moves by its own string’s scale', () => {
    const { construction: c } = necks().fanned;
    const read = c.strings.map((_, i) => ({
      quantity: 'intonation',
      string: c.strings.length - i,
      fret: 12,
      value: 4,
    }));
    intonationPlan(c, read).forEach((s) => {
      const scale = scaleOf(c, c.strings.length - s.string);
      expect(s.alone).toBeCloseTo(saddleMove(scale, 12, 4, c.compensation), 9);
    });
  });

  test('a tuning is heard with every string at its own length', () => {
    const { construction: c } = necks().fanned;
    const heard = hearTuning('B E A D', { ...c, usual: c.strings, gauges: null });
    expect(heard).toMatchObject({ ok: true, value: { notes: ['B0', 'E1', 'A1', 'D2'] } });
    const [low = 0] = pulls(c);
    const [same = 0] = pulls(alongString(c, 0));
    expect(low).toBeCloseTo(same, 9);
    expect(fretPosition(scaleOf(c, 0), 12)).toBeCloseTo(431.8, 9);
  });
});
