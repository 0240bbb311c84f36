import { usualConstruction } from '../instrument/defaults.ts';
import { KINDS } from '../instrument/kinds.ts';
import { staleReasons } from '../staleness/stale.ts';
import { resolveTarget } from '../targets/resolve.ts';
import { verdict, type TargetWish } from '../targets/target.ts';
import { notRepresentative } from './conditions.ts';
import { readEntry } from './entry.ts';
import { latestReadings, type Reading } from './reading.ts';
import { stationsOf } from './stations.ts';

describe('stationsOf', () => {
  test.each([
    ['steel-acoustic', 16],
    ['twelve-string', 28],
    ['solid-electric', 15],
    ['bass', 11],
    ['ukulele', 12],
  ] as const)('a %s has %d stations, each once, in working order', (kind, count) => {
    const stations = stationsOf(usualConstruction(kind));
    expect(stations).toHaveLength(count);
    expect(new Set(stations.map((s) => s.key)).size).toBe(count);
    expect(stations[0]?.quantity).toBe('relief');
    expect(stations.at(-1)).toMatchObject({ quantity: 'intonation', string: 1 });
  });
});

describe('readEntry', () => {
  const entry = (...args: Parameters<typeof readEntry>) => {
    const r = readEntry(...args);
    if (!r.ok) throw new Error(r.error.message);
    return r.value;
  };

  test.each([
    ['.014', 'relief', 'thou', 0.3556],
    ['14', 'relief', 'thou', 0.3556],
    ['.078', 'action', '64ths', 1.9812],
    ['5', 'action', '64ths', 1.984375],
    ['2,1', 'action', 'mm', 2.1],
    ['8 thou', 'nut-gap', 'mm', 0.2032],
    ['+3', 'intonation', 'mm', 3],
  ] as const)('%s for %s in %s is %d, without a question', (text, quantity, unit, expected) => {
    expect(entry(text, quantity, unit).value).toBeCloseTo(expected, 12);
    expect(entry(text, quantity, unit).question).toBeNull();
  });

  test('inches in a millimetre field are asked about, with what they would mean', () => {
    const { value, question } = entry('.078', 'action', 'mm');
    expect(value).toBe(0.078);
    expect(question?.others.map((o) => o.text)).toEqual(['.078 in']);
    expect(question?.others[0]?.value).toBeCloseTo(1.9812, 12);
  });

  test('a number that fits no unit is still only asked about', () => {
    const { question } = entry('900', 'action', 'mm');
    expect(question).toMatchObject({ code: 'outside-plausible', others: [] });
  });

  test('millimetres in a field of 64ths are asked about', () => {
    expect(entry('2,1', 'action', '64ths').question?.others.map((o) => o.text)).toContain('2,1 mm');
  });

  test('nearly another note is asked about', () => {
    expect(entry('+60', 'intonation', 'mm').question?.message).toContain('nearly another note');
  });

  test.each([
    ['', 'relief', 'empty'],
    ['five', 'relief', 'not-a-length'],
    ['1,234', 'action', 'ambiguous'],
    ['5/64', 'intonation', 'not-cents'],
  ] as const)('“%s” for %s is refused as %s', (text, quantity, code) => {
    expect(readEntry(text, quantity, 'mm')).toMatchObject({ ok: false, error: { code } });
  });
});

describe('conditions', () => {
  const at = (strings: 'at-pitch' | 'missing' | 'off-pitch') =>
    ({ strings, position: 'playing', tuning: 'E A D G B E' }) as const;
  test('only all strings at pitch can stand for the instrument', () => {
    expect(notRepresentative(at('at-pitch'), 'relief')).toBeNull();
    expect(notRepresentative(at('missing'), 'relief')).toContain('missing');
    expect(notRepresentative(at('off-pitch'), 'action')).toContain('pitch');
    expect(notRepresentative(at('missing'), 'saddle-standout')).toBeNull();
  });
});

const reading = (more: Partial<Reading>): Reading => ({
  key: 'relief:0:7',
  quantity: 'relief',
  string: 0,
  fret: 7,
  value: 0.2,
  round: 'as-found',
  takenAt: 0,
  notRepresentative: null,
  ...more,
});

describe('latestReadings', () => {
  test('the newest representative reading of a place stands', () => {
    const all = [
      reading({ takenAt: 5, value: 1 }),
      reading({ takenAt: 9, value: 2 }),
      reading({ takenAt: 12, value: 3, notRepresentative: 'string missing' }),
    ];
    expect(latestReadings(all).get('relief:0:7')?.value).toBe(2);
    expect(latestReadings([...all].reverse()).get('relief:0:7')?.value).toBe(2);
  });
});

describe('staleReasons', () => {
  const rod = { title: 'Adjust the truss rod', stale: ['relief', 'action'], at: 100 } as const;
  const saddle = { title: 'Lower the saddle', stale: ['action'], at: 200 } as const;

  test('older than what moved it is stale, with the newest reason; read again it is not', () => {
    const all = [
      reading({ takenAt: 50 }),
      reading({ quantity: 'action', takenAt: 150 }),
      reading({ quantity: 'action', takenAt: 50 }),
      reading({ takenAt: 101 }),
      reading({ quantity: 'nut-gap', takenAt: 0 }),
    ];
    expect(staleReasons(all, [saddle, rod])).toEqual([
      { since: 100, because: 'Adjust the truss rod' },
      { since: 200, because: 'Lower the saddle' },
      { since: 200, because: 'Lower the saddle' },
      null,
      null,
    ]);
  });

  test('nothing finished, nothing stale', () => {
    expect(staleReasons([reading({})], [])).toEqual([null]);
  });
});

describe('targets', () => {
  const construction = usualConstruction('steel-acoustic');
  const station = (key: string) => stationsOf(construction).find((s) => s.key === key) ?? fail(key);
  const fail = (key: string): never => {
    throw new Error(key);
  };
  const wish: TargetWish = { quantity: 'action', side: 'bass', low: 1.8, aim: 1.9, high: 2 };

  test('later layers win, and it is said which did', () => {
    expect(resolveTarget(construction, 'medium', [], station('action:6:12'))).toEqual({
      low: 2,
      aim: 2.2,
      high: 2.5,
      layer: 'kind',
    });
    expect(resolveTarget(construction, 'heavy', [], station('action:6:12'))).toMatchObject({
      layer: 'touch',
    });
    expect(resolveTarget(construction, 'heavy', [wish], station('action:6:12'))).toEqual({
      low: 1.8,
      aim: 1.9,
      high: 2,
      layer: 'job',
    });
    expect(resolveTarget(construction, 'heavy', [wish], station('action:1:12'))?.layer).toBe('touch');
  });

  test('a light touch comes lower, a heavy one higher; nut and intonation do not move', () => {
    for (const kind of KINDS) {
      const c = usualConstruction(kind);
      for (const s of stationsOf(c)) {
        const aim = (touch: 'light' | 'medium' | 'heavy') => resolveTarget(c, touch, [], s)?.aim ?? 0;
        if (s.quantity === 'relief' || s.quantity === 'action') {
          expect(aim('light')).toBeLessThan(aim('medium'));
          expect(aim('heavy')).toBeGreaterThan(aim('medium'));
        } else expect([aim('light'), aim('heavy')]).toEqual([aim('medium'), aim('medium')]);
      }
    }
  });

  test('what has no target has none', () => {
    expect(resolveTarget(construction, 'medium', [], station('saddle-standout:0:0'))).toBeNull();
  });

  test('what the gauge cannot tell apart still counts as reached', () => {
    const band = { low: 2, aim: 2.2, high: 2.5 };
    expect([verdict(1.984375, band), verdict(1.984375, band, 0.02)]).toEqual(['low', 'edge']);
    expect([verdict(2.519, band, 0.02), verdict(2.521, band, 0.02)]).toEqual(['edge', 'high']);
  });

  test.each([
    [1.99, 'low'],
    [2.01, 'edge'],
    [2.2, 'in'],
    [2.46, 'edge'],
    [2.5, 'edge'],
    [2.51, 'high'],
  ])('%d against 2.0–2.5 is %s', (value, expected) => {
    expect(verdict(value, { low: 2, aim: 2.2, high: 2.5 })).toBe(expected);
  });
});
