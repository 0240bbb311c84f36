import { describe, expect, test } from 'vitest';
import { LONG } from '../../runs-for-tests.ts';
import { KINDS } from '../instrument/kinds.ts';
import { stationKey } from '../readings/stations.ts';
import { noteFrequency } from '../strings/pitch.ts';
import { pullToRelief } from '../strings/pull-to-relief.ts';
import type { Act } from './acts.ts';
import { answerOf, isNoticed } from './ask.ts';
import { benchAfter } from './bench.ts';
import { benchView } from './bench-view.ts';
import { FAULTS } from './faults/faults.ts';
import { QUESTION_IDS } from './questions.ts';
import { codeOf, drawFrom, instrumentWith, practiceInstrument, readCode } from './instrument.ts';
import type { Level } from './levels.ts';
import { outcomeOf, pullNow, soundInstrument } from './insides.ts';
import { perfectLearner } from './learner-for-tests.ts';
import { heardEverywhere, pluck, soundingNow } from './listen.ts';
import { look, practiceItems } from './look.ts';
import { openInstrument } from './opened.ts';
import { nextToTry, progressOf } from './progress.ts';
import { practiceStations, readWith, tellsOf, truthAt } from './read.ts';
import { canBeDone, missingOf, workFor } from './work-for.ts';
import { overNeighbours } from './work.ts';

const breathe = (): Promise<void> => new Promise((go) => setImmediate(go));
const RELIEF = stationKey('relief', 0, 7);
const TUNE: Act = { kind: 'work', operation: 'tune-stretch' };
const readRelief: Act = { kind: 'read', station: RELIEF };

describe('the same instrument for everybody', () => {
  test('a code is read back to what it was made from; nonsense is none', () => {
    for (const kind of KINDS)
      for (const level of [1, 2, 3] as const)
        for (const about of [null, 'frets'] as const) {
          const spec = { kind, level, seed: 4_294_967_295, about };
          expect(readCode(codeOf(spec))).toEqual(spec);
        }
    expect(readCode(' Bass.2.3MV ')).toEqual({ kind: 'bass', level: 2, seed: 4711, about: null });
    for (const wrong of [
      '',
      'bass',
      'bass.4.1',
      'bass.2.',
      'bass.2.!',
      'lute.1.1',
      'bass.1.zzzzzzz',
      'bass.1.1.knobs',
      'bass.1.1.neck.x',
    ])
      expect(readCode(wrong), wrong).toBeNull();
  });

  test('one spec is one instrument, to the hundredth; another seed is another', () => {
    const spec = { kind: 'solid-electric', level: 2, seed: 99, about: null } as const;
    const [one, two] = [practiceInstrument(spec), practiceInstrument(spec)];
    expect(two.inside).toEqual(one.inside);
    expect(two.says).toBe(one.says);
    const acts: readonly Act[] = [readRelief, TUNE, readRelief, readRelief];
    expect(benchAfter(two, acts).entries).toEqual(benchAfter(one, acts).entries);
    expect(practiceInstrument({ ...spec, seed: 100 }).inside).not.toEqual(one.inside);
  });

  test('a kind of fault that is asked for is among them', async () => {
    for (const about of ['nut', 'saddle', 'noise'] as const)
      for (let seed = 0; seed < 5; seed++) {
        await breathe();
        const { faults } = practiceInstrument({ kind: 'steel-acoustic', level: 2, seed, about });
        expect(faults.some((f) => f.group === about)).toBe(true);
      }
  });

  test('random choices stay in their bounds and come again', () => {
    const [a, b] = [drawFrom(5), drawFrom(5)];
    for (let n = 0; n < 200; n++) {
      const whole = a.whole(3, 6);
      expect([3, 4, 5, 6]).toContain(whole);
      expect(b.whole(3, 6)).toBe(whole);
      const x = a.between(-1, 2);
      expect(x).toBeGreaterThanOrEqual(-1);
      expect(x).toBeLessThan(2);
      b.between(-1, 2);
    }
    expect(['x', 'y']).toContain(a.pick(['x', 'y']));
  });
});

describe('readings', () => {
  const sound = soundInstrument(instrumentWith('steel-acoustic', []).inside.construction, 'medium');

  test('a sound instrument stands at the aims of its touch', () => {
    const at = (key: string): number => {
      const station = practiceStations(sound.construction).find((s) => s.key === key);
      return station ? (truthAt(sound, station) ?? NaN) : NaN;
    };
    expect(at(RELIEF)).toBeCloseTo(0.2, 9);
    expect(at(stationKey('action', 6, 12))).toBeCloseTo(2.2, 9);
    expect(at(stationKey('action', 1, 12))).toBeCloseTo(1.7, 9);
    expect(at(stationKey('nut-gap', 3, 1))).toBeCloseTo(0.1, 9);
    expect(at(stationKey('intonation', 5, 12))).toBeCloseTo(0, 9);
    expect(at(stationKey('fret-rock', 0, 9))).toBe(0);
  });

  test('slack strings pull less: the relief is read too small by the pull that is missing', () => {
    const flat = { ...sound, flat: 60 };
    const pull = (list: Float64Array): number => list.reduce((a, b) => a + b, 0);
    expect(pull(pullNow(flat)) / pull(pullNow(sound))).toBeCloseTo(2 ** (-120 / 1200), 9);
    const less = pullToRelief(pull(pullNow(sound)), pull(pullNow(flat))).reliefChange;
    expect(outcomeOf(flat).relief - outcomeOf(sound).relief).toBeCloseTo(less, 9);
    expect(less).toBeLessThan(-0.03);
    // The action follows the neck.
    expect(outcomeOf(flat).action[0]).toBeLessThan((outcomeOf(sound).action[0] ?? 0) - 0.05);
  });

  test('a hand’s error is as large as its gauge says, in its steps, and none is kept from a true zero', () => {
    const stations = practiceStations(sound.construction);
    const relief = stations.find((s) => s.key === RELIEF);
    if (!relief) throw new Error('no relief');
    const read = Array.from({ length: 200 }, (_, i) => readWith(sound, relief, (i - 100) / 50) ?? NaN);
    expect(Math.max(...read.map((v) => Math.abs(v - 0.2)))).toBeLessThan(tellsOf('relief'));
    for (const v of read) expect(v * 100).toBeCloseTo(Math.round(v * 100), 9);
    const gap = stations.find((s) => s.quantity === 'fret-rock');
    if (gap) expect(readWith(sound, gap, -3)).toBe(0);
    for (const s of stations) expect(Number.isFinite(readWith(sound, s, 0) ?? NaN), s.key).toBe(true);
  });

  test('a high fret under the string makes the relief look less, one beside it does not rock', () => {
    const tops = sound.moves.tops.map((_, n) => (n === 7 ? 0.1 : 0));
    const high = { ...sound, moves: { ...sound.moves, tops } };
    const at = (key: string): number => {
      const station = practiceStations(sound.construction).find((s) => s.key === key);
      return station ? (truthAt(high, station) ?? NaN) : NaN;
    };
    expect(at(RELIEF)).toBeCloseTo(0.1, 9);
    expect(at(stationKey('fret-rock', 0, 7))).toBeCloseTo(0.1, 9);
    expect(at(stationKey('fret-rock', 0, 8))).toBe(0);
    expect(at(stationKey('fret-rock', 0, 6))).toBe(0);
    expect(overNeighbours([0, 0.2, 0], 1)).toBeCloseTo(0.2, 12);
    expect(overNeighbours([0, 0, 0.3], 2)).toBeCloseTo(0.3, 12);
  });

  test('a reading before tuning is marked, and tells of the neck as it is then', () => {
    const p = instrumentWith('steel-acoustic', ['relief-high'], 8);
    const bench = benchAfter({ ...p, inside: { ...p.inside, flat: 60 } }, [readRelief, TUNE, readRelief]);
    const [before, , after] = bench.entries;
    expect(before?.atPitch).toBe(false);
    expect(after?.atPitch).toBe(true);
    expect((after?.truth ?? 0) - (before?.truth ?? 0)).toBeGreaterThan(0.03);
    expect(bench.minutes).toBe(12);
    // What needs no strings reads the same: how far the saddle stands out.
    const standout = { kind: 'read', station: stationKey('saddle-standout', 0, 0) } as const;
    const [out] = benchAfter({ ...p, inside: { ...p.inside, flat: 60 } }, [standout]).entries;
    expect(out).toMatchObject({ atPitch: true, value: expect.any(Number) as number });
  });
});

describe('looking and listening', () => {
  test('what is looked at fits the instrument; a number is read and not looked at', () => {
    const keys = (kind: 'nylon' | 'solid-electric'): string[] =>
      practiceItems(instrumentWith(kind, []).inside.construction).map((i) => i.key);
    expect(keys('nylon')).not.toContain('rod');
    expect(keys('nylon')).not.toContain('pickup-height');
    expect(keys('solid-electric')).toContain('pickup-height');
    expect(keys('solid-electric')).not.toContain('relief');
  });

  test('a pluck is marked by how it rings, and by what else is heard only where it rings clear', () => {
    const p = instrumentWith('solid-electric', ['high-fret', 'crackle'], 11);
    const acts = heardEverywhere(p.inside).map(({ string, held }): Act => ({ kind: 'pluck', string, held }));
    const view = benchView(p, benchAfter(p, acts));
    const marks = new Set(view.heard.map((h) => h.mark));
    expect(marks).toEqual(new Set(['buzz', 'choked', 'besides']));
    for (const h of view.heard) expect(h.mark === 'buzz', h.says).toBe(h.says.startsWith('buzzes'));
    expect(view.entries.map((e) => e.mark)).toEqual(view.heard.map((h) => h.mark));
  });

  test('a fret too high buzzes where it is held behind it, and is clear in front of it', () => {
    const p = instrumentWith('solid-electric', ['high-fret'], 11);
    const fret = p.inside.moves.tops.findIndex((t) => t > 0.1);
    for (const string of p.inside.construction.strings.keys()) {
      expect(pluck(p.inside, { string, held: fret - 1 }).room, `string ${string}`).not.toBe('clear');
      expect(pluck(p.inside, { string, held: fret + 1 }).room).toBe('clear');
    }
    expect(heardEverywhere(p.inside).filter((h) => h.held > fret && h.room === 'buzz')).toEqual([]);
    const under = soundingNow({ ...p.inside, flat: 0 }, { string: 0, held: fret - 1 });
    expect(under.frets[0]).toBe(fret);
  });

  test('what rattles does so with one pitch, on every string that has it', () => {
    const p = instrumentWith('steel-acoustic', ['button'], 12);
    const rattling = heardEverywhere(p.inside).filter((h) => h.besides !== null);
    expect(new Set(rattling.map((h) => h.string)).size).toBeGreaterThan(3);
    const semitones = [4, 9, 2, 7, 11, 4];
    const classes = new Set(rattling.map((h) => ((semitones[h.string] ?? 0) + h.held) % 12));
    expect(classes.size).toBe(1);
    expect(rattling.every((h) => h.room === 'clear')).toBe(true);
    // It is in the sound of those places, at their own pitch, and in no other.
    const sound = { ...p.inside, flat: 0 };
    for (const { string, held } of heardEverywhere(p.inside).filter((h) => h.held % 5 === 0)) {
      const loose = rattling.some((r) => r.string === string && r.held === held);
      const { rattlesAt } = soundingNow(sound, { string, held });
      const open = noteFrequency(p.inside.construction.strings[string]?.note ?? '');
      if (!open.ok) throw new Error('no note');
      if (loose) expect(Math.log2((rattlesAt ?? 0) / open.value) * 12).toBeCloseTo(held, 0);
      else expect(rattlesAt).toBeUndefined();
    }
  });

  test('a look says what is there and where', () => {
    const p = instrumentWith('steel-acoustic', ['lifted-fret'], 13);
    const fret = p.inside.lifted.findIndex((v) => v > 0);
    const item = practiceItems(p.inside.construction).find((i) => i.key === 'fret-seat');
    if (!item) throw new Error('no such item');
    expect(look(p.inside, item)).toEqual({
      item: 'fret-seat',
      finding: 'lifts',
      says: `A feeler slides under fret ${fret}.`,
    });
    const sound = look(instrumentWith('steel-acoustic', []).inside, item);
    expect(sound.finding).toBeNull();
  });
});

describe('asking', () => {
  test('an owner has noticed something of every fault, and never says what it is', () => {
    for (const fault of FAULTS) {
      expect(isNoticed(fault), fault.id).toBe(true);
      const p = { ...instrumentWith('steel-acoustic', []), faults: [fault] };
      for (const question of QUESTION_IDS)
        expect(answerOf(p, question).toLowerCase()).not.toContain(fault.name.toLowerCase());
    }
  });

  test('what is asked is answered by what they know of each, and how they play by their touch', () => {
    const p = instrumentWith('steel-acoustic', ['back-bow', 'pins-proud'], 2);
    expect(answerOf(p, 'worked')).toBe('A friend turned the rod, quite a bit.');
    expect(answerOf(p, 'where')).toBe(
      'On the first few frets, on all strings. And: Back at the bridge: a pin comes up.',
    );
    expect(answerOf(p, 'plays')).toBe('I am told I have a medium touch.');
    expect(answerOf(instrumentWith('bass', []), 'where')).toBe('Nowhere in particular.');
    const bench = benchAfter(p, [{ kind: 'ask', question: 'worked' }]);
    expect(bench.minutes).toBe(1);
    expect(bench.entries[0]?.says).toBe('A friend turned the rod, quite a bit.');
  });
});

describe('work', () => {
  test('only what makes sense on an instrument is offered, and says what it needs to know', () => {
    const of = (kind: 'nylon' | 'solid-electric') => workFor(instrumentWith(kind, []).inside.construction);
    expect(of('nylon')).not.toContain('rod');
    expect(of('nylon')).toContain('saddle-lower');
    expect(of('solid-electric')).toContain('saddle-set');
    expect(of('solid-electric')).not.toContain('saddle-lower');
    expect(canBeDone('neck-reset', instrumentWith('bass', []).inside.construction)).toBe(false);
    expect(missingOf({ kind: 'work', operation: 'rod' })).toBe('eighths');
    expect(missingOf({ kind: 'work', operation: 'rod', eighths: 0 })).toBeNull();
    expect(missingOf({ kind: 'work', operation: 'nut-slots', string: 0 })).toBe('amount');
    expect(missingOf({ kind: 'work', operation: 'tighten' })).toBeNull();
  });

  test('the same work again takes less time and is paid once', () => {
    const p = instrumentWith('steel-acoustic', ['relief-high'], 1);
    const one = benchAfter(p, [{ kind: 'work', operation: 'rod', eighths: 1 }]);
    const two = benchAfter(p, [
      { kind: 'work', operation: 'rod', eighths: 1 },
      { kind: 'work', operation: 'rod', eighths: 1 },
    ]);
    expect(two.price).toBe(one.price);
    expect(two.minutes).toBe(one.minutes + 5);
  });
});

/** How many instruments of each kind and level are drawn: more of them by `--long`. */
const DRAWN = LONG ? 4 : 1;

describe('opened', () => {
  test.each([1, 2, 3] as Level[])('who makes no mistake has all of it, at level %i', async (level) => {
    for (const kind of KINDS)
      for (let seed = 0; seed < DRAWN; seed++) {
        await breathe();
        const p = practiceInstrument({ kind, level, seed: 1000 + seed, about: null });
        const named = p.faults.map((f) => f.id);
        const opened = openInstrument(p, benchAfter(p, perfectLearner(p)), named);
        expect(
          opened.score,
          `${codeOf(p.spec)} ${named.join()}: ${opened.parts.map((x) => x.says).join(' ')}`,
        ).toBe(100);
        expect(opened.faults.every((f) => f.cured && f.named)).toBe(true);
      }
  });

  test('leaving a sound one alone is worth all of it; working on it is not', () => {
    const p = instrumentWith('steel-acoustic', []);
    const left = openInstrument(p, benchAfter(p, [TUNE]), []);
    expect(left.score).toBe(100);
    const meddled = openInstrument(
      p,
      benchAfter(p, [{ kind: 'work', operation: 'saddle-lower', bass: 1.2, treble: 1.2 }, TUNE]),
      ['saddle-high'],
    );
    expect(meddled.score).toBeLessThan(30);
    expect(meddled.wrong).toEqual(['The saddle too high']);
    expect(meddled.left.length).toBeGreaterThan(0);
  });

  test('a saddle cut for a neck that was bent: nothing is right, wood is gone, and it says so', () => {
    const p = instrumentWith('steel-acoustic', ['relief-high'], 3);
    const acts: readonly Act[] = [{ kind: 'work', operation: 'saddle-lower', bass: 0.9, treble: 0.9 }, TUNE];
    const opened = openInstrument(p, benchAfter(p, acts), ['saddle-high']);
    expect(opened.score).toBeLessThan(30);
    const [fault] = opened.faults;
    expect(fault).toMatchObject({ id: 'relief-high', named: false, cured: false });
    expect(fault?.tells.length).toBeGreaterThan(1);
    expect(fault?.tells.every((t) => !t.looked)).toBe(true);
    const told = fault?.tells.find((t) => t.says === 'Relief, 7th')?.told;
    expect(told?.should).toBeCloseTo(0.2, 9);
    expect(told?.value).toBeGreaterThan(0.39);
    expect(opened.spent.taken.saddle).toBeCloseTo(0.9, 9);
    expect(opened.parts.map((x) => x.of).reduce((a, b) => a + b, 0)).toBe(100);
    expect(opened.parts.find((x) => x.name === 'Read before it is cut')?.got).toBe(0);
  });

  test('half of two faults is half of what they are worth; what was read stands beside the truth', () => {
    const p = instrumentWith('solid-electric', ['crackle', 'nut-high'], 4);
    const opened = openInstrument(
      p,
      benchAfter(p, [
        TUNE,
        readRelief,
        { kind: 'look', item: 'controls' },
        { kind: 'work', operation: 'clean-controls' },
      ]),
      ['crackle'],
    );
    const by = new Map(opened.faults.map((f) => [f.id, f]));
    expect(by.get('crackle')).toMatchObject({ named: true, cured: true });
    expect(by.get('crackle')?.tells[0]).toMatchObject({ looked: true });
    // Heard on every string alike, it is told once.
    expect(by.get('crackle')?.tells).toHaveLength(2);
    expect(by.get('nut-high')).toMatchObject({ named: false, cured: false });
    expect(opened.readings).toHaveLength(1);
    expect(opened.readings[0]).toMatchObject({ station: RELIEF, atPitch: true, off: false });
    expect(opened.score).toBeGreaterThan(30);
    expect(opened.score).toBeLessThan(75);
  });

  test('progress is counted by kind of fault, and the one met least comes next', () => {
    const done = progressOf([
      { score: 60, faults: [{ group: 'neck', named: true, cured: false }] },
      {
        score: 100,
        faults: [
          { group: 'neck', named: true, cured: true },
          { group: 'frets', named: false, cured: true },
        ],
      },
    ]);
    expect(done.find((g) => g.group === 'neck')).toMatchObject({ met: 2, named: 2, cured: 1 });
    expect(done.find((g) => g.group === 'frets')).toMatchObject({ met: 1, named: 0, cured: 1 });
    expect(nextToTry(done)).toBe('nut');
  });
});
