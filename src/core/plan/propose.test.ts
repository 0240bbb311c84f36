import type { Kind } from '../instrument/kinds.ts';
import { fretPosition } from '../neck/fret-position.ts';
import { OPERATION_IDS } from './operation-ids.ts';
import { OPERATIONS, operation } from './operations.ts';
import type { PlanInput } from './plan-input.ts';
import { input } from './plan-input-for-tests.ts';
import { propose } from './propose.ts';

const keys = (i: PlanInput): string[] => propose(i).lines.map((l) => l.key);
const lineOf = (i: PlanInput, key: string) => propose(i).lines.find((l) => l.key === key);

describe('propose', () => {
  test.each<Kind>(['steel-acoustic', 'twelve-string', 'nylon', 'solid-electric', 'bass', 'ukulele'])(
    'a %s that is right is left alone',
    (kind) => {
      const p = propose(input(kind));
      expect(p.lines).toEqual([]);
      expect(p.leave).toHaveLength(4);
      expect(p.missing).toEqual([]);
    },
  );

  test('too much relief tightens, and the saddle is computed for what the rod leaves', () => {
    const i = input('steel-acoustic', { relief: 0.3, 'action:6:12': 2.6, 'action:1:12': 1.9 });
    expect(lineOf(i, 'rod')?.says).toContain('Tighten the rod');
    // The rod takes 2 × 0.1 = 0.2 mm: bass 2.4 and treble 1.7 are then in their bands, so nothing is cut.
    expect(keys(i)).toEqual(['rod']);
  });

  test('the saddle’s sum is the closed form, after rod and nut, with its first cut', () => {
    const i = input('steel-acoustic', { 'action:6:12': 3.0, 'nut-gap:6:1': 0.2 });
    const { scale, compensation } = i.construction;
    const lowered = 0.1 / (1 - fretPosition(scale, 1) / fretPosition(scale, 3));
    const expected = 3.0 - lowered * (1 - 0.5 * (scale / (scale + compensation)));
    const change = ((expected - 2.2) * (scale + compensation)) / (scale / 2);
    const says = lineOf(i, 'saddle')?.says ?? '';
    expect(says).toContain(`(${change.toFixed(2)} mm) off`);
    expect(says).toContain(`(${(0.8 * change).toFixed(2)} mm)`);
    expect(says).toContain('Treble: leave it.');
  });

  test('one side unread is warned of', () => {
    const i = input('steel-acoustic', { 'action:6:12': 3, 'action:1:12': null });
    expect(lineOf(i, 'saddle')?.warnings.join()).toContain('Only one side was read');
    expect(propose(i).missing).toEqual(['action:1:12']);
  });

  test('a cut that leaves too little saddle points to the neck angle', () => {
    const i = input('steel-acoustic', { action: 4, 'saddle-standout': 3 });
    expect(lineOf(i, 'saddle')?.warnings.join()).toContain('neck angle');
    const unread = input('steel-acoustic', { action: 4, 'saddle-standout': null });
    expect(lineOf(unread, 'saddle')?.warnings.join()).toContain('Saddle height was not read');
  });

  test('too low an action raises', () => {
    const i = input('steel-acoustic', { action: 1.2 });
    expect(lineOf(i, 'saddle')).toMatchObject({ operation: 'saddle-raise', title: 'Saddle goes up' });
  });

  test('high slots are cut, low ones filled, each by 1.55 times its gap', () => {
    const i = input('steel-acoustic', { 'nut-gap:6:1': 0.2, 'nut-gap:1:1': 0.02 });
    expect(lineOf(i, 'nut:cut')?.says).toContain('string 6 .006');
    expect(lineOf(i, 'nut:fill')?.says).toContain('string 1 .005');
    expect(lineOf(i, 'nut:cut')?.why.join()).toContain('1.55');
  });

  test('sharp moves back, flat forward; one-piece saddles are compensated', () => {
    const i = input('steel-acoustic', { 'intonation:6:12': 5, 'intonation:1:12': -4 });
    expect(lineOf(i, 'intonation')).toMatchObject({ operation: 'compensate' });
    expect(lineOf(i, 'intonation')?.says).toMatch(/string 6 1\.\d\d mm back, string 1 1\.\d\d mm forward/);
    expect(lineOf(input('solid-electric', { intonation: 5 }), 'intonation')).toMatchObject({
      operation: 'intonate',
      warnings: [],
    });
  });

  test('a neck without a rod is not told to turn one', () => {
    const line = lineOf(input('nylon', { relief: 0.6 }), 'rod');
    expect(line?.says).toContain('no rod');
    expect(line?.warnings).toHaveLength(1);
  });

  test('a back-bow on a one-way rod is loosened and read, not computed', () => {
    const i = input('steel-acoustic', { relief: -0.1 });
    expect(lineOf(i, 'rod')?.says).toContain('cannot push the neck forward');
    const two = input('twelve-string', { relief: -0.1 });
    expect(lineOf(two, 'rod')?.says).toContain('Loosen the rod');
  });

  test('a stale reading is named and never used', () => {
    const i = input(
      'steel-acoustic',
      { relief: 0.5, action: 4 },
      { stale: new Set(['relief:0:7', 'action:6:12', 'action:1:12']) },
    );
    const p = propose(i);
    expect(p.lines).toEqual([]);
    expect(p.stale).toEqual(['relief:0:7', 'action:6:12', 'action:1:12']);
    expect(p.leave.join()).not.toContain('Relief');
  });

  test.each(['missing', 'off-pitch'] as const)(
    'with strings %s it begins with stringing up and judges nothing',
    (strings) => {
      const p = propose(input('steel-acoustic', { relief: 0.5, action: 4 }, { strings }));
      expect(p.lines.map((l) => l.key)).toEqual(['string-up']);
      expect(p.leave).toEqual([]);
    },
  );

  test('findings stand between neck and nut, in the order of a setup', () => {
    const findings = [
      {
        item: 'fret-level',
        title: 'Frets level',
        note: '9th rocks',
        leadsTo: 'fret-dress',
        name: 'Level and dress',
      },
    ] as const;
    const i = input(
      'steel-acoustic',
      { relief: 0.5, 'nut-gap': 0.4, action: 5, intonation: 9 },
      { findings },
    );
    expect(keys(i)).toEqual(['rod', 'finding:fret-level', 'nut:cut', 'saddle', 'intonation']);
    expect(lineOf(i, 'finding:fret-level')?.says).toBe('Inspection: 9th rocks');
  });
});

describe('the catalogue of operations', () => {
  test('every id stands once, with sane minutes and whole prices', () => {
    expect(OPERATIONS.map((o) => o.id).sort()).toEqual([...OPERATION_IDS].sort());
    for (const o of OPERATIONS) {
      expect(o.minutes.low).toBeLessThanOrEqual(o.minutes.likely);
      expect(o.minutes.likely).toBeLessThanOrEqual(o.minutes.high);
      expect(Number.isInteger(o.price) && Number.isInteger(o.parts)).toBe(true);
    }
  });

  test('what cannot be undone says what can hurt', () => {
    expect(OPERATIONS.filter((o) => !o.reversible && o.hazards.length === 0)).toEqual([]);
  });

  test('the rod moves relief, action, gaps and intonation; the saddle action, intonation and its own height', () => {
    expect(operation('rod').stale).toEqual(
      expect.arrayContaining(['relief', 'action', 'nut-gap', 'intonation']),
    );
    expect(operation('rod').stale).not.toContain('saddle-standout');
    expect(operation('saddle-lower').stale).toEqual(
      expect.arrayContaining(['action', 'intonation', 'saddle-standout']),
    );
    expect(operation('saddle-lower').stale).not.toContain('relief');
    expect(() => operation('nothing' as never)).toThrow(RangeError);
  });
});
