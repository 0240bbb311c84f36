import type { Construction } from '../instrument/construction.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { USUAL_METHODS } from './methods.ts';
import { QUANTITY_FACTS } from './quantities.ts';
import { allStations, furtherStations, stationsOf, USUAL_HABITS, type SheetPart } from './stations.ts';

const steel = () => usualConstruction('steel-acoustic');
const electric = (more: Partial<Construction> = {}): Construction => ({
  ...usualConstruction('solid-electric'),
  ...more,
});
const further = (c: Construction, part: SheetPart) => furtherStations(c).filter((s) => s.part === part);
const keys = (c: Construction, part: SheetPart) => further(c, part).map((s) => s.key);
const labels = (c: Construction, part: SheetPart) => further(c, part).map((s) => s.label);

describe('the setup', () => {
  test('from the highest string where the shop works that way', () => {
    const six = stationsOf(steel(), { ...USUAL_HABITS, firstString: 'highest' });
    expect(six.filter((s) => s.quantity === 'nut-gap').map((s) => s.string)).toEqual([1, 2, 3, 4, 5, 6]);
    expect(six.filter((s) => s.quantity === 'action').map((s) => s.string)).toEqual([1, 6]);
    const usual = stationsOf(steel());
    expect(usual.filter((s) => s.quantity === 'nut-gap').map((s) => s.string)).toEqual([6, 5, 4, 3, 2, 1]);
  });

  test('in the shop’s own order, none of it optional but by its quantity', () => {
    const order = ['intonation', 'saddle-standout', 'nut-gap', 'action', 'relief'] as const;
    const turned = stationsOf(steel(), { ...USUAL_HABITS, order });
    expect([...new Set(turned.map((s) => s.quantity))]).toEqual(order);
    for (const s of turned) expect(s.optional).toBe(QUANTITY_FACTS[s.quantity].optional);
    for (const s of turned) expect(s.part).toBe('setup');
  });

  test('the methods in force show in places and words', () => {
    const methods = {
      relief: 'capo-joint',
      action: 'at-17',
      'nut-gap': 'open',
      intonation: 'harmonic',
    } as const;
    const said = stationsOf(steel(), { ...USUAL_HABITS, methods }).map((s) => s.label);
    expect(said.slice(0, 4)).toEqual([
      'Relief, 8th',
      'Action 17, string 6',
      'Action 17, string 1',
      'Open height over fret 1, string 6 E',
    ]);
    const held = stationsOf(steel(), { ...USUAL_HABITS, methods: { ...USUAL_METHODS, 'nut-gap': 'held-2' } });
    expect(held[3]?.label).toBe('Gap over fret 1, string 6 E');
    expect(held[3]?.key).toBe('nut-gap:6:1');
  });

  test('notes are said without their octave, however it is written', () => {
    const c = steel();
    const odd = {
      ...c,
      strings: c.strings.map((s, i) => ({ ...s, note: ['F#10', 'Bb2', 'E'][i] ?? s.note })),
    };
    const said = stationsOf(odd).map((s) => s.label);
    expect(said.slice(3, 6)).toEqual(['6 F#', '5 Bb', '4 E'].map((s) => `Gap over fret 1, string ${s}`));
  });
});

describe('the further places', () => {
  test('of the neck: relief where it is not read already, action over 12, 17 and the last fret', () => {
    expect(keys(steel(), 'neck')).toEqual([
      ...[3, 5, 9, 12].map((f) => `relief:0:${f}`),
      ...[6, 5, 4, 3, 2, 1].flatMap((n) => [12, 17, 20].map((f) => `action:${n}:${f}`)),
      // The straightedge lies on fret 1 and at the body joint, the 14th.
      ...[3, 5, 7, 9, 12, 15, 17, 19, 20].flatMap((f) => [3, 1].map((n) => `straightedge:${n}:${f}`)),
    ]);
    expect(labels(steel(), 'neck').slice(0, 5)).toEqual([
      'Relief at the 3rd',
      'Relief at the 5th',
      'Relief at the 9th',
      'Relief at the 12th',
      'Action 12, string 6 E',
    ]);
    const short = { ...usualConstruction('ukulele'), frets: 12 };
    expect(keys(short, 'neck').filter((k) => k.startsWith('relief'))).toEqual(
      [3, 5, 9].map((f) => `relief:0:${f}`),
    );
    expect(keys(short, 'neck').filter((k) => k.startsWith('action:4'))).toEqual(['action:4:12']);
    const fifteen = { ...short, frets: 15 };
    expect(keys(fifteen, 'neck').filter((k) => k.startsWith('action:4'))).toEqual([
      'action:4:12',
      'action:4:15',
    ]);
  });

  test('of the nut: its width and spread, and the pitch of the first frets', () => {
    expect(keys(steel(), 'nut')).toEqual([
      'nut-width:0:0',
      'nut-spacing:0:0',
      ...[6, 5, 4, 3, 2, 1].flatMap((n) => [1, 3, 5, 7].map((f) => `intonation:${n}:${f}`)),
    ]);
  });

  test('of the frets: three heights each, the rocker on all but the ends', () => {
    const c = { ...steel(), frets: 4 };
    expect(keys(c, 'frets')).toEqual([
      ...[1, 2, 3, 4].flatMap((f) => [3, 2, 1].map((a) => `fret-height:${a}:${f}`)),
      'fret-rock:0:2',
      'fret-rock:0:3',
      'fall-away:0:4',
      'radius:0:1',
      'radius:0:4',
    ]);
    expect(labels(c, 'frets')[0]).toBe('Fret 1 stands, bass');
    expect(labels(c, 'frets')[2]).toBe('Fret 1 stands, treble');
  });

  const LOOSE = ['slot-depth', 'slot-width', 'saddle-length', 'saddle-thickness', 'bridge-thickness'];
  test.each([
    ['pinned', true],
    ['tie-block', true],
    ['individual', false],
    ['floating', false],
    ['thumbwheel', false],
  ] as const)('of a saddle on a bridge that is %s: a loose one is measured (%s)', (bridge, loose) => {
    const quantities = further({ ...steel(), bridge }, 'saddle').map((s) => s.quantity);
    expect(quantities).toEqual([
      ...Array<string>(6).fill('contact'),
      ...(loose ? ['saddle-standout', 'saddle-standout', ...LOOSE] : []),
      'break-angle',
    ]);
    const body = keys({ ...steel(), bridge, joint: 'bolted' }, 'body');
    const taper = bridge === 'pinned' ? ['pin-taper:0:0'] : [];
    expect(body).toEqual(loose ? ['neck-angle:0:0', 'height-over-top:0:0', ...taper] : []);
    const glued = keys({ ...steel(), bridge, joint: 'glued' }, 'body');
    expect(glued).toEqual(loose ? ['neck-angle:0:0', 'height-over-top:0:0', ...taper] : ['neck-angle:0:0']);
  });

  test.each([
    ['solid-electric', 'passive', 2],
    ['bass', 'active', 2],
    ['archtop', 'passive', 1],
    ['solid-electric', 'none', 0],
    ['steel-acoustic', 'under-saddle', 0],
  ] as const)(
    'a %s with %s electronics has %d pickups to read, each under both outer strings',
    (kind, electronics, n) => {
      const c = { ...usualConstruction(kind), electronics };
      const under = keys(c, 'body').filter((k) => /^(pickup-height|resistance)/.test(k));
      const each = Array.from({ length: n }, (_, i) => i + 1);
      expect(under).toEqual([
        ...each.flatMap((p) => [`pickup-height:3:${p}`, `pickup-height:1:${p}`]),
        ...each.map((p) => `resistance:0:${p}`),
      ]);
    },
  );

  test.each([
    ['none', false],
    ['fixed', false],
    ['floating', true],
  ] as const)('a vibrato that is %s floats: %s', (vibrato, floats) => {
    expect(keys(electric({ vibrato }), 'body').includes('vibrato-float:0:0')).toBe(floats);
  });

  test('all together: each once, the setup first, the rest optional', () => {
    for (const kind of KINDS) {
      const c = usualConstruction(kind);
      const all = allStations(c);
      const setup = stationsOf(c);
      expect(all.slice(0, setup.length)).toEqual(setup);
      expect(new Set(all.map((s) => s.key)).size).toBe(all.length);
      for (const s of all.slice(setup.length)) expect([s.key, s.optional]).toEqual([s.key, true]);
      const once = new Set([...setup, ...furtherStations(c)].map((s) => s.key));
      expect(all.length).toBe(once.size);
    }
  });
});
