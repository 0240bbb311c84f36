/** Two people, one record, a wire that loses answers: nothing typed is lost, nothing is overwritten unseen. */
import fc from 'fast-check';
import {
  acknowledged,
  arrived,
  conflicts,
  mineOver,
  shown,
  theirsStand,
  typed,
  type Edit,
  type Live,
} from './edit-model.ts';

const FIELDS = ['place', 'holder', 'note'] as const;
type Field = (typeof FIELDS)[number];
type Value = Readonly<Record<Field, string>>;

const live = (version: number, value: Partial<Value> = {}): Live<Value> => ({
  version,
  value: { place: '', holder: '', note: '', ...value },
});

describe('one form', () => {
  test('what it began from is frozen at the first keystroke', () => {
    const edit = typed(null, live(3, { note: 'old' }), { note: 'new' });
    const later = arrived(edit, live(4, { note: 'theirs' }));
    expect(later && shown(later, live(4))).toMatchObject({ note: 'new' });
    expect(later?.base.version).toBe(3);
    expect(conflicts(later)).toEqual([{ field: 'note', theirs: 'theirs', mine: 'new' }]);
  });

  test('what a colleague changed in another field is taken over, not overwritten', () => {
    const edit = arrived(typed(null, live(3), { note: 'mine' }), live(4, { place: 'hook 7' }));
    expect(edit?.base.version).toBe(4);
    expect(edit && shown(edit, live(4))).toEqual({ place: 'hook 7', holder: '', note: 'mine' });
    expect(conflicts(edit)).toEqual([]);
  });

  test('a decision: mine over theirs, or theirs; what was typed elsewhere stays', () => {
    const begun = typed(typed(null, live(1), { note: 'mine' }), live(1), { holder: 'Nadia' });
    const edit = arrived(begun, live(2, { note: 'theirs' }));
    if (!edit) throw new Error('gone');
    expect(mineOver(edit)).toMatchObject({ base: { version: 2 }, mine: { note: 'mine' }, theirs: null });
    const left = theirsStand(edit);
    expect(left && shown(left, live(2))).toEqual({ place: '', holder: 'Nadia', note: 'theirs' });
    const alone = arrived(typed(null, live(1), { note: 'mine' }), live(2, { note: 'theirs' }));
    expect(alone && theirsStand(alone)).toBeNull();
  });

  test('the same words of two people are no conflict', () => {
    const edit = arrived(typed(null, live(1), { note: 'same' }), live(2, { note: 'same' }));
    expect(edit?.theirs).toBeNull();
    expect(edit?.base.version).toBe(2);
  });

  test('a row that was saved while the answer was lost is no conflict: it is the one the house gave an id', () => {
    interface Listed {
      readonly [field: string]: unknown;
      readonly places: readonly { readonly id: number | null; readonly name: string }[];
    }
    const began: Live<Listed> = { version: 1, value: { places: [{ id: 4, name: 'A1' }] } };
    const rows = [...began.value.places, { id: null, name: 'A2' }];
    const house = { version: 2, value: { places: [...began.value.places, { id: 9, name: 'A2' }] } };
    const edit = arrived(typed(null, began, { places: rows }), house);
    expect(conflicts(edit)).toEqual([]);
    expect(edit && shown(edit, house)).toEqual(house.value);
    const other = { version: 2, value: { places: [...began.value.places, { id: 9, name: 'A3' }] } };
    expect(conflicts(arrived(typed(null, began, { places: rows }), other))).toHaveLength(1);
  });

  test('what is typed while it is sent stays, and stands on what was acknowledged', () => {
    const sent = typed(null, live(1), { note: 'first', place: 'hook 1' });
    const since = typed(sent, live(1), { note: 'second' });
    const after = acknowledged(since, sent, 2);
    expect(after).toEqual({
      base: live(2, { note: 'first', place: 'hook 1' }),
      mine: { note: 'second' },
      theirs: null,
    });
    expect(arrived(acknowledged(sent, sent, 2), live(2, { note: 'first', place: 'hook 1' }))).toBeNull();
  });

  test('an older value that comes late changes nothing', () => {
    const kept = acknowledged(null, typed(null, live(4), { note: 'x' }), 5);
    expect(arrived(kept, live(4))).toBe(kept);
  });
});

interface Message {
  readonly id: number;
  readonly by: number;
  readonly version: number;
  readonly value: Value;
  readonly sent: Edit<Value>;
}

/** Two screens, the house, and the wire between them; it remembers who typed what and what each has been shown. */
class World {
  house: Live<Value> = live(0);
  readonly edits: (Edit<Value> | null)[] = [null, null];
  readonly views: Live<Value>[] = [this.house, this.house];
  readonly answered = new Map<number, { ok: boolean; version: number }>();
  /** every value a screen has shown of a field */
  readonly saw = [0, 1].map(() => new Map(FIELDS.map((f) => [f, new Set([''])])));
  wire: Message[] = [];
  pending: (Message | null)[] = [null, null];
  next = 1;

  private look(by: number, value: Value): void {
    for (const f of FIELDS) this.saw[by]?.get(f)?.add(value[f]);
  }

  type(by: number, field: Field, text: string): void {
    const view = this.views[by] ?? this.house;
    this.edits[by] = typed(this.edits[by] ?? null, view, { [field]: text } as Partial<Value>);
    this.saw[by]?.get(field)?.add(text);
  }

  refresh(by: number): void {
    this.views[by] = this.house;
    this.edits[by] = arrived(this.edits[by] ?? null, this.house);
    this.look(by, shown(this.edits[by] ?? null, this.house));
    for (const c of conflicts(this.edits[by] ?? null)) this.saw[by]?.get(c.field)?.add(c.theirs as string);
  }

  press(by: number): void {
    const edit = this.edits[by];
    if (!edit || edit.theirs || this.pending[by] || Object.keys(edit.mine).length === 0) return;
    const value = shown(edit, edit.base);
    const message = { id: this.next++, by, version: edit.base.version, value, sent: edit };
    this.pending[by] = message;
    this.wire.push(message);
  }

  /** The oldest message reaches the house, once for its id; its answer may be lost. */
  deliver(lose: boolean): void {
    const m = this.wire.shift();
    if (!m) return;
    let answer = this.answered.get(m.id);
    if (!answer) {
      const ok = m.version === this.house.version;
      if (ok) {
        for (const f of FIELDS) {
          // Nothing is overwritten that the sender's screen has not shown.
          expect(this.saw[m.by]?.get(f)?.has(this.house.value[f]) || m.value[f] === this.house.value[f]).toBe(
            true,
          );
          // What the sender did not type is as the house has it.
          if (!(f in m.sent.mine)) expect(m.value[f]).toBe(this.house.value[f]);
        }
        this.house = { value: m.value, version: this.house.version + 1 };
      }
      answer = { ok, version: this.house.version };
      this.answered.set(m.id, answer);
    }
    if (lose) {
      this.wire.push(m);
      return;
    }
    this.pending[m.by] = null;
    if (answer.ok) this.edits[m.by] = acknowledged(this.edits[m.by] ?? null, m.sent, answer.version);
    else this.refresh(m.by);
  }

  decide(by: number, mine: boolean): void {
    const edit = this.edits[by];
    if (edit) this.edits[by] = mine ? mineOver(edit) : theirsStand(edit);
  }
}

type Act =
  | { readonly do: 'type'; readonly by: number; readonly field: Field; readonly text: string }
  | { readonly do: 'refresh' | 'press'; readonly by: number }
  | { readonly do: 'deliver'; readonly lose: boolean }
  | { readonly do: 'decide'; readonly by: number; readonly mine: boolean };

const by = fc.nat(1);
const acts: fc.Arbitrary<readonly Act[]> = fc.array(
  fc.oneof(
    fc.record({
      do: fc.constant('type' as const),
      by,
      field: fc.constantFrom(...FIELDS),
      text: fc.string({ minLength: 1, maxLength: 3 }),
    }),
    fc.record({ do: fc.constantFrom('refresh' as const, 'press' as const), by }),
    fc.record({ do: fc.constant('deliver' as const), lose: fc.boolean() }),
    fc.record({ do: fc.constant('decide' as const), by, mine: fc.boolean() }),
  ),
  { maxLength: 40 },
);

function act(world: World, a: Act): void {
  switch (a.do) {
    case 'type':
      return world.type(a.by, a.field, a.text);
    case 'refresh':
      return world.refresh(a.by);
    case 'press':
      return world.press(a.by);
    case 'deliver':
      return world.deliver(a.lose);
    case 'decide':
      return world.decide(a.by, a.mine);
  }
}

/** What each screen would lose by an act: fields typed there that are neither shown there any more nor in the house. */
function lost(world: World, typedLast: readonly Map<Field, string>[]): readonly string[] {
  return typedLast.flatMap((fields, who) =>
    [...fields].flatMap(([f, text]) => {
      const view = shown(world.edits[who] ?? null, world.views[who] ?? world.house);
      return view[f] === text || world.house.value[f] === text ? [] : [`${who} ${f} ${text}`];
    }),
  );
}

test('any interleaving of two people’s edits loses nothing and overwrites nothing unseen', () => {
  fc.assert(
    fc.property(acts, (steps) => {
      const world = new World();
      const typedLast = [new Map<Field, string>(), new Map<Field, string>()];
      for (const a of steps) {
        act(world, a);
        if (a.do === 'type') typedLast[a.by]?.set(a.field, a.text);
        // What was acknowledged, or given up by a decision, is the house's from then on.
        for (const who of [0, 1]) {
          const mine = world.edits[who]?.mine ?? {};
          for (const f of [...(typedLast[who]?.keys() ?? [])]) {
            const underWay = world.pending[who]?.sent.mine ?? {};
            const gaveUp = a.do === 'decide' && a.by === who && !a.mine;
            const acked = a.do === 'deliver' && !(f in mine) && !(f in underWay);
            if (!(f in mine) && (gaveUp || acked)) typedLast[who]?.delete(f);
          }
        }
        expect(lost(world, typedLast)).toEqual([]);
      }
    }),
    { numRuns: 4000 },
  );
});

test('when both go on until nothing is open, both screens show what the house holds', () => {
  fc.assert(
    fc.property(acts, (steps) => {
      const world = new World();
      for (const a of steps) act(world, a);
      for (let round = 0; round < 12; round++) {
        for (const who of [0, 1]) {
          world.refresh(who);
          world.decide(who, round % 2 === 0);
          world.press(who);
          while (world.wire.length > 0) world.deliver(false);
        }
      }
      world.refresh(0);
      world.refresh(1);
      expect([0, 1].map((who) => shown(world.edits[who] ?? null, world.views[who] ?? world.house))).toEqual([
        world.house.value,
        world.house.value,
      ]);
    }),
    { numRuns: 1000 },
  );
});

test('what is known already changes nothing: the same value, arriving again, leaves the very same edit', () => {
  fc.assert(
    fc.property(acts, fc.nat(), (steps, at) => {
      const world = new World();
      for (const [i, a] of steps.entries()) {
        act(world, a);
        if (i !== at % steps.length) continue;
        for (const who of [0, 1]) {
          const view = structuredClone(world.views[who] ?? world.house);
          const once = arrived(world.edits[who] ?? null, view);
          expect(arrived(once, structuredClone(view))).toBe(once);
        }
      }
    }),
    { numRuns: 2000 },
  );
});
