import type { Construction } from '../../instrument/construction.ts';
import { contactFit } from '../../intonation/contact-fit.ts';
import { saddleMove } from '../../intonation/saddle-move.ts';
import { fretPosition } from '../../neck/fret-position.ts';
import { formatLength } from '../../units/format-length.ts';
import { heightChangeWords } from '../../units/words-in.ts';
import { consequences } from '../../whatif/consequences.ts';
import { NO_MOVES } from '../../whatif/moves.ts';
import { OPERATIONS } from '../../catalogue/operations.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { contactWays } from './contact-ways.ts';
import { heightWays } from './height-ways.ts';
import { problem } from './problem-for-tests.ts';
import type { Problem } from './problem.ts';
import type { Sizes, Ways } from './way.ts';

const said = heightChangeWords;
const mm = (v: number): string => formatLength(v, 'mm');
const near = (v: number) => expect.closeTo(v, 9) as number;
const now = (p: Problem) => consequences(p.model, NO_MOVES, p.ratio);
const shareOf = (p: Problem): number => {
  const c = p.model.construction;
  return fretPosition(c.scale, 12) / (c.scale + c.compensation);
};
const height = (p: Problem, sizes?: Sizes): Ways => heightWays(p, NO_MOVES, now(p), shareOf(p), sizes);
const named = (w: Ways, name: string) => {
  const way = w.ways.find((x) => x.name === name);
  if (!way) throw new Error(`${name} is not among ${w.ways.map((x) => x.name).join(', ')}`);
  return way;
};
const refusal = (w: Ways, id: OperationId) => w.refused.find((r) => r.operations.includes(id));
const names = (w: Ways) => w.ways.map((x) => x.name);
const built = (p: Problem, c: Partial<Construction>): Problem => ({
  ...p,
  model: { ...p.model, construction: { ...p.model.construction, ...c } },
});
const without = (...ids: OperationId[]) => ({ catalogue: OPERATIONS.filter((o) => !ids.includes(o.id)) });

/** A steel-string: its aims are 2.2 and 1.7 at the 12th, 0.2 of relief, 0.1 at the nut. */
const steel = (
  bass: number | null,
  treble: number | null,
  standout: number | null,
  more: Parameters<typeof problem>[3] = {},
) =>
  problem(
    'steel-acoustic',
    { 'action:6:12': bass, 'action:1:12': treble, 'saddle-standout': standout },
    {},
    more,
  );

describe('the saddle', () => {
  test('one side too high: that side comes down, a first cut of its share, nothing warned of', () => {
    const p = steel(3, 1.8, 5);
    const w = height(p);
    const by = 0.8 / shareOf(p);
    const lower = named(w, 'lower the saddle');
    expect(lower.group).toBe('height');
    expect(lower.parts).toEqual([
      {
        operation: 'saddle-lower',
        says: `Bass ${said(by)} down, treble stays.`,
        amounts: [
          { what: 'saddle, bass', amount: near(-by), unit: 'mm' },
          { what: 'saddle, treble', amount: 0, unit: 'mm' },
        ],
        removed: near(by),
        firstCut: `first bass ${said(by * p.firstCutShare)}, then read again`,
      },
    ]);
    expect([lower.moves.bass, lower.moves.treble, lower.moves.tilt]).toEqual([near(-by), 0, 0]);
    expect(lower.warns).toEqual([]);
    expect(named(w, 'a new saddle').parts[0]).toMatchObject({ removed: 0, firstCut: undefined });
    expect(names(w)).not.toContain('lower the saddle as far as it goes');
    expect(names(w)).not.toContain('shim the saddle');
    expect(refusal(w, 'saddle-lower')).toBeUndefined();
  });

  test('both sides too high: both first cuts are said', () => {
    const p = steel(3, 2.6, 5);
    const [bass, treble] = [0.8, 0.9].map((v) => v / shareOf(p)) as [number, number];
    expect(named(height(p), 'lower the saddle').parts[0]).toMatchObject({
      says: `Bass ${said(bass)} down, treble ${said(treble)} down.`,
      firstCut: `first bass ${said(bass * p.firstCutShare)}, treble ${said(treble * p.firstCutShare)}, then read again`,
      removed: near(Math.max(bass, treble)),
    });
  });

  test('nothing out: nothing to answer, unless every size is asked for', () => {
    const p = steel(2.3, 1.8, 5);
    expect(height(p)).toEqual({ ways: [expect.objectContaining({ name: 'leave it' })], refused: [] });
    const every = height(p, 'every').ways.filter((w) => w.name === 'lower the saddle');
    const k = shareOf(p);
    expect(every.map((w) => [w.moves.bass, w.moves.treble])).toEqual([
      [near(-0.1 / k), near(-0.1 / k)],
      [near(-0.1 / k), 0],
      [0, near(-0.1 / k)],
    ]);
    const one = height(steel(2.2, 1.8, 5), 'every').ways.filter((w) => w.name === 'lower the saddle');
    expect(one.map((w) => [w.moves.bass, w.moves.treble])).toEqual([[0, near(-0.1 / k)]]);
  });

  test('a saddle not read is asked to be read, for the saddle’s own ways alone', () => {
    const w = height(steel(3, 2.6, null));
    const unread = ['How far the saddle stands out was not read: read it before cutting.'];
    expect(named(w, 'lower the saddle').warns).toEqual(unread);
    expect(named(w, 'a new saddle').warns).toEqual(unread);
    expect(named(w, 'reset the neck').warns).toEqual([]);
  });

  test('too little would stand out: why, what it would take, and as far down as it goes', () => {
    const p = steel(3, 2.6, 2);
    const w = height(p);
    const k = shareOf(p);
    expect(refusal(w, 'saddle-lower')).toEqual({
      group: 'height',
      operations: ['saddle-lower'],
      because: `Only ${mm(2 - 0.9 / k)} of saddle would stand out, under the ${mm(1.5)} that must: look at the neck angle.`,
      would: `It would do if the saddle stood out ${mm(1.5 + 0.9 / k)} or more now; it stands ${mm(2)}.`,
    });
    const far = named(w, 'lower the saddle as far as it goes');
    expect([far.moves.bass, far.moves.treble]).toEqual([near(-0.5), near(-0.5)]);
    const bassOnly = named(height(steel(3, 1.8, 2)), 'lower the saddle as far as it goes');
    expect([bassOnly.moves.bass, bassOnly.moves.treble]).toEqual([near(-0.5), 0]);
    expect(names(height(steel(3, 2.6, 1.55)))).not.toContain('lower the saddle as far as it goes');
  });

  test('to its least height and no further is still within limits', () => {
    const p = steel(3, 1.8, 5);
    const by = 0.8 / shareOf(p);
    const at = (standout: number) => names(height({ ...p, model: { ...p.model, standout } }));
    expect(at(1.5 + by)).toContain('lower the saddle');
    expect(at(1.5 + by - 1e-4)).not.toContain('lower the saddle');
  });

  test('a break angle that would fall too flat refuses it', () => {
    const p = steel(3, 2.6, 5);
    const flat = { ...p, model: { ...p.model, breakAngle: 14 } };
    const k = shareOf(p);
    const standout = 5 - (0.8 + 0.9) / 2 / k;
    const angle = (Math.atan((Math.tan((14 * Math.PI) / 180) * standout) / 5) * 180) / Math.PI;
    expect(refusal(height(flat), 'saddle-lower')).toMatchObject({
      because: `The break angle would fall to ${angle.toFixed(1)}°, under the 12° it wants.`,
      would: 'It would do if the string broke more steeply behind the saddle.',
    });
    expect(names(height({ ...p, model: { ...p.model, breakAngle: 30 } }))).toContain('lower the saddle');
  });

  test('too low: a shim for a little and alike, a raise for the rest, nothing over what a slot holds', () => {
    const little = steel(1.9, 1.4, 4);
    const shim = named(height(little), 'shim the saddle');
    expect(shim.parts[0]).toMatchObject({
      operation: 'saddle-shim',
      says: `Bass ${said(0.3 / shareOf(little))} up, treble ${said(0.3 / shareOf(little))} up.`,
      removed: 0,
      firstCut: undefined,
    });
    expect(names(height(little))).toContain('raise the saddle');
    expect(names(height(little))).not.toContain('lower the saddle');
    const much = steel(1.7, 1.2, 4);
    expect(refusal(height(much), 'saddle-shim')).toMatchObject({
      because: `${mm(0.5 / shareOf(much))} under the saddle is over the ${mm(0.8)} a shim is used for.`,
      would: `It would do for ${mm(0.8)} or less.`,
    });
    expect(refusal(height(steel(1.9, 1.7, 4)), 'saddle-shim')).toMatchObject({
      because: 'One side wants more than the other: a flat shim raises both alike.',
      would: 'It would do if both sides wanted the same.',
    });
    const high = steel(1.9, 1.4, 5.8);
    const by = 0.3 / shareOf(high);
    for (const id of ['saddle-shim', 'saddle-raise', 'saddle-new'] as const)
      expect(refusal(height(high), id)).toMatchObject({
        because: `The saddle would stand out ${mm(5.8 + by)}, over the ${mm(6)} a slot holds.`,
        would: `It would do if it stood out ${mm(6 - by)} or less now.`,
      });
  });

  test('one side up and the other down is a new saddle’s work', () => {
    const w = height(steel(3, 1.2, 4));
    expect(names(w)).toContain('a new saddle');
    expect(names(w).filter((n) => /lower|shim the|raise/.test(n))).toEqual([]);
  });

  test('what the shop does not offer is not spoken of; what is too dear is refused for that', () => {
    const p = problem(
      'steel-acoustic',
      { 'action:6:12': 3, 'saddle-standout': 5 },
      {},
      without('saddle-lower'),
    );
    expect(names(height(p))).not.toContain('lower the saddle');
    expect(refusal(height(p), 'saddle-lower')).toBeUndefined();
    const poor = height(steel(3, 1.8, 5, { worth: 100 }));
    expect(names(poor)).toEqual(['leave it']);
    expect(refusal(poor, 'saddle-lower')?.because).toMatch(/over 50 % of what it is worth/);
    // The limit is said before the price.
    expect(refusal(height(steel(3, 2.6, 2, { worth: 100 })), 'saddle-lower')?.because).toMatch(/^Only/);
  });

  test('saddles on screws are set, by what each side wants', () => {
    const p = problem('solid-electric', { 'action:6:12': 2.6, 'action:1:12': 1.4 });
    const w = height(p);
    const by = 0.9 / shareOf(p);
    expect(named(w, 'set the saddles').parts).toEqual([
      expect.objectContaining({
        operation: 'saddle-set',
        says: `Bass ${said(by)} down, treble stays.`,
        removed: 0,
      }),
    ]);
    expect(names(w)).toEqual(['leave it', 'set the saddles', 'shim the neck']);
    expect(refusal(w, 'bridge-thin')).toBeUndefined();
  });
});

describe('the neck’s angle', () => {
  test('a reset brings both sides to their aims and the saddle to where it stands well', () => {
    const p = steel(3, 2.6, 1.8);
    const k = shareOf(p);
    const reset = named(height(p), 'reset the neck');
    const tilt = 3.2 - 1.8 + (0.8 + 0.9) / 2 / k;
    const [bass, treble] = [tilt - 0.8 / k, tilt - 0.9 / k];
    expect(reset.moves).toMatchObject({ tilt: near(tilt), bass: near(bass), treble: near(treble) });
    expect(reset.parts).toEqual([
      {
        operation: 'neck-reset',
        says: `The fret plane rises ${mm(tilt)} at the saddle; the saddle then stands ${mm(1.8 + (bass + treble) / 2)} out.`,
        amounts: [{ what: 'fret plane at the saddle', amount: near(tilt), unit: 'mm' }],
        removed: 0,
        firstCut: 'fit it dry and read the angle before any glue',
      },
      expect.objectContaining({ operation: 'saddle-new' }),
    ]);
    const o = consequences(p.model, reset.moves, p.ratio);
    expect(o.action[0]).toBeCloseTo(2.2, 9);
    expect(o.action[5]).toBeCloseTo(1.7, 9);
    expect(o.standout).toBeCloseTo(3.2, 1);
  });

  test('a saddle that fits already is left alone', () => {
    const p = steel(3, 2.5, 3.2);
    const reset = named(height(p), 'reset the neck');
    expect(reset.parts.map((x) => x.operation)).toEqual(['neck-reset']);
    expect([reset.moves.bass, reset.moves.treble]).toEqual([0, 0]);
    expect(reset.parts[0]?.says).toBe(`The fret plane rises ${mm(0.8 / shareOf(p))} at the saddle.`);
    const down = named(height(steel(1.4, 0.9, 3.2)), 'reset the neck');
    expect(down.parts[0]?.says).toMatch(/^The fret plane falls/);
  });

  test('without a standout nothing is asked of the saddle but the difference of its sides', () => {
    const p = steel(3, 2.6, null);
    const k = shareOf(p);
    const reset = named(height(p), 'reset the neck');
    expect(reset.moves).toMatchObject({
      tilt: near((0.8 + 0.9) / 2 / k),
      bass: near(0.05 / k),
      treble: near(-0.05 / k),
    });
    expect(reset.parts[0]?.says).not.toMatch(/stands/);
  });

  test('only one side read speaks for both', () => {
    const p = steel(null, 2.6, 3.2);
    expect(named(height(p), 'reset the neck').moves.tilt).toBeCloseTo(0.9 / shareOf(p), 9);
    const q = steel(3, null, 3.2);
    expect(named(height(q), 'reset the neck').moves.tilt).toBeCloseTo(0.8 / shareOf(q), 9);
  });

  test.each([
    ['bolted', 'shim the neck', 'shim'],
    ['tilt-screw', 'tilt the neck', 'tilt'],
    ['glued', 'reset the neck', 'neck-reset'],
  ] as const)('a neck that is %s: %s, and its saddles set', (joint, name, operation) => {
    const p = built(problem('solid-electric', { 'action:6:12': 2.6, 'action:1:12': 2.2 }), { joint });
    const w = named(height(p), name);
    expect(w.parts.map((x) => x.operation)).toEqual([operation, 'saddle-set']);
    expect(w.parts[0]?.firstCut === undefined).toBe(operation !== 'neck-reset');
    const tilt = (0.9 + 0.8) / 2 / shareOf(p);
    expect(w.moves.tilt).toBeCloseTo(tilt, 9);
  });

  test('more than a shim is used for is refused, a reset is not', () => {
    const set = { 'action:6:12': 5, 'action:1:12': 5 };
    const p = problem('solid-electric', set);
    const tilt = (3.3 + 3.6) / 2 / shareOf(p);
    expect(refusal(height(p), 'shim')).toMatchObject({
      because: `The fret plane would have to rise ${mm(tilt)} at the saddle, over the ${mm(6)} a shim is used for.`,
      would: `It would do for ${mm(6)} or less.`,
    });
    expect(names(height(built(p, { joint: 'glued' })))).toContain('reset the neck');
  });
});

describe('a thinner bridge', () => {
  const worn = (bridge: number | null, slotDepth: number | null, worth: number | null) => {
    const p = steel(3, 2.6, 1.8, { worth });
    return { ...p, model: { ...p.model, bridge, slotDepth } };
  };
  const by = (0.8 + 0.9) / 2 / shareOf(steel(3, 2.6, 1.8));

  test('on an instrument of little worth: as much off as the strings must come down', () => {
    const w = named(height(worn(10, 4, 80_000)), 'thin the bridge');
    expect(w.moves).toMatchObject({ thin: near(by), bass: 0, treble: 0 });
    expect(w.parts).toEqual([
      {
        operation: 'bridge-thin',
        says: `Take ${mm(by)} off the bridge; ${mm(6 - by)} stays under the slot.`,
        amounts: [{ what: 'bridge', amount: near(-by), unit: 'mm' }],
        removed: near(by),
        firstCut: `first ${mm(by * steel(3, 2.6, 1.8).firstCutShare)}, then read again`,
      },
    ]);
  });

  test.each([
    [
      'nothing was measured',
      null,
      null,
      40_000,
      /^Bridge thickness and slot depth were not read/,
      /stayed under the slot/,
    ],
    ['no slot was measured', 10, null, 40_000, /^Bridge thickness and slot depth were not read/, /2.40 mm/],
    ['no bridge was measured', null, 4, 40_000, /^Bridge thickness and slot depth were not read/, /2.40 mm/],
    [
      'too little would stay',
      7,
      4,
      40_000,
      /^Only .* would stay under the slot; 2.40 mm must/,
      /on a bridge .* thicker/,
    ],
    [
      'nobody knows its worth',
      10,
      4,
      null,
      /^What it is worth is not known: .* up to ¤800.00/,
      /worth ¤800.00 or less/,
    ],
    [
      'it is worth more',
      10,
      4,
      80_001,
      /^It is worth ¤800.01: a bridge is thinned only up to ¤800.00/,
      /¤800.00 or less/,
    ],
  ] as const)('refused where %s', (_what, bridge, slot, worth, because, would) => {
    const r = refusal(height(worn(bridge, slot, worth)), 'bridge-thin');
    expect(r?.because).toMatch(because);
    expect(r?.would).toMatch(would);
  });

  test('never raises strings', () => {
    const p = steel(1.4, 0.9, 4, { worth: 40_000 });
    const w = height({ ...p, model: { ...p.model, bridge: 10, slotDepth: 4 } });
    expect(names(w)).not.toContain('thin the bridge');
    expect(refusal(w, 'bridge-thin')).toBeUndefined();
  });
});

describe('the contact', () => {
  const at = (cents: Readonly<Record<string, number>>, contact: Readonly<Record<number, number>> = {}) => {
    const p = problem('steel-acoustic', cents);
    return {
      ...p,
      model: { ...p.model, saddleThickness: 3, contact: p.model.contact.map((_, i) => contact[i] ?? null) },
    };
  };
  const moveOf = (p: Problem, cents: number) =>
    saddleMove(p.model.construction.scale, 12, cents, p.model.construction.compensation);
  const ways = (p: Problem, sizes?: Sizes) => contactWays(p, NO_MOVES, now(p), sizes);

  test('a move that stays on the crown is filed there, string by string', () => {
    const p = at({ 'intonation:6:12': 3, 'intonation:1:12': -4 }, { 0: 1, 5: 2 });
    const w = ways(p);
    const [back, forward] = [moveOf(p, 3), moveOf(p, -4)];
    expect(names(w)).toEqual(['leave it', 'compensate the saddle']);
    const [part] = named(w, 'compensate the saddle').parts;
    expect(part?.says).toContain(`string 6 +3 cents: ${mm(back)} back`);
    expect(part?.says).toContain(`string 1 −4 cents: ${mm(-forward)} forward`);
    expect(part?.amounts).toEqual(
      expect.arrayContaining([
        { what: 'contact of string 6', amount: near(back), unit: 'mm' },
        { what: 'contact of string 1', amount: near(forward), unit: 'mm' },
      ]),
    );
    // Along the string nothing is lost in height.
    expect(part?.removed).toBe(0);
    expect(part?.firstCut).toBe('file half of each move, read again, then finish');
    expect(named(w, 'compensate the saddle').warns).toEqual([]);
    expect(named(w, 'compensate the saddle').moves.contact).toEqual([near(back), 0, 0, 0, 0, near(forward)]);
  });

  test('contacts not read are to be looked at, or a slot is moved', () => {
    const w = ways(at({ 'intonation:6:12': 3, 'intonation:1:12': 4 }, { 0: 1 }));
    expect(named(w, 'compensate the saddle').warns).toEqual([
      'Where the strings leave the saddle was not read: look whether each move stays on the crown.',
    ]);
    expect(named(w, 'a new slot for the saddle').parts.map((x) => [x.operation, x.says])).toEqual([
      ['saddle-slot', 'Fill the slot and rout it where the contact must be.'],
      ['saddle-new', expect.stringMatching(/^Move the contact: string/)],
    ]);
  });

  test('a move that leaves the crown is refused with its ways, by the string that leaves it furthest', () => {
    const p = at({ 'intonation:6:12': 9, 'intonation:5:12': 7 }, { 0: 2, 1: 2 });
    const w = ways(p);
    const worst = contactFit(3, 2, moveOf(p, 9));
    expect(names(w)).toEqual(['leave it', 'a new slot for the saddle']);
    expect(w.refused).toEqual([
      {
        group: 'contact',
        operations: ['compensate'],
        because: `string 6, string 5 would leave the crown by up to ${mm(worst.outside)}. Ways: ${worst.ways.join('; ')}.`,
        would: `It would do on a saddle ${mm(3 + worst.outside)} thick.`,
      },
    ]);
    expect(w.refused[0]?.because).toMatch(/string 6.*string 5|string 5.*string 6/);
  });

  test('saddles on screws are set; what is no intonation, or in its band, is left', () => {
    const p = problem('solid-electric', {
      'intonation:6:12': 8,
      'intonation:5:12': 60,
      'intonation:4:12': 1,
    });
    const w = ways(p);
    expect(names(w)).toEqual(['leave it', 'set the intonation']);
    expect(named(w, 'set the intonation').parts).toHaveLength(1);
    expect(named(w, 'set the intonation').parts[0]).toMatchObject({ operation: 'intonate', removed: 0 });
    expect(named(w, 'set the intonation').moves.contact.map((v) => v !== 0)).toEqual([
      true,
      ...Array<boolean>(5).fill(false),
    ]);
    expect(names(ways(p, 'every'))).toHaveLength(3);
    expect(names(ways(problem('solid-electric')))).toEqual(['leave it']);
  });

  test('a shop that does not compensate has no such way', () => {
    const p = problem('steel-acoustic', { 'intonation:6:12': 3 }, {}, without('compensate', 'saddle-slot'));
    expect(names(ways(p))).toEqual(['leave it']);
  });
});
