import fc from 'fast-check';
import { lineCutter, readGaugeLine } from './line-protocol.ts';
import { simulatedGauge } from './simulated-gauge.ts';

describe('readGaugeLine', () => {
  test.each([
    ['L 1.984 mm', { kind: 'length', value: '1.984', unit: 'mm' }],
    ['L .078 in', { kind: 'length', value: '.078', unit: 'in' }],
    ['l -0,05 MM', { kind: 'length', value: '-0,05', unit: 'mm' }],
    ['12 thou', { kind: 'length', value: '12', unit: 'thou' }],
    ['1.984', { kind: 'length', value: '1.984', unit: null }],
    ['C 21.4 C 44 %', { kind: 'air', temperature: 21.4, humidity: 44 }],
    ['B 7 %', { kind: 'battery', percent: 7 }],
    ['B 900 %', { kind: 'battery', percent: 100 }],
    ['! battery empty', { kind: 'trouble', words: 'battery empty' }],
    ['L 1.984 furlong', { kind: 'noise', text: 'L 1.984 furlong' }],
    ['', { kind: 'noise', text: '' }],
  ])('%s', (line, read) => {
    expect(readGaugeLine(line)).toEqual(read);
  });

  test('whatever comes over the wire, it is read or noise, never an error', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => {
        const read = readGaugeLine(text);
        expect(['length', 'air', 'battery', 'trouble', 'noise']).toContain(read.kind);
        if (read.kind === 'noise') expect(read.text.length).toBeLessThanOrEqual(120);
      }),
    );
  });

  test('lines arrive whole however they were cut on the way', () => {
    const lines = ['L 1.98 mm', 'B 9 %', '! low', 'L 2.00 mm'];
    fc.assert(
      fc.property(
        fc.constantFrom('\n', '\r', '\r\n'),
        fc.array(fc.integer({ min: 1, max: 9 })),
        (end, cuts) => {
          const cut = lineCutter();
          let rest = lines.map((l) => l + end).join('');
          const heard: string[] = [];
          for (const n of cuts) {
            heard.push(...cut(rest.slice(0, n)));
            rest = rest.slice(n);
          }
          heard.push(...cut(rest), ...cut(end));
          expect(heard).toEqual(lines);
        },
      ),
    );
  });
});

describe('the simulated gauges', () => {
  /** An even source that says always the same. */
  const still = () => 0.25;
  const heardOf = (kind: 'caliper' | 'fret-dial' | 'hygrometer', random = still, battery = 60) => {
    const gauge = simulatedGauge(kind, random, battery);
    const heard: string[] = [];
    const stop = gauge.listen((line) => heard.push(line));
    return { gauge, heard, stop };
  };

  test('say what they are', () => {
    expect(heardOf('caliper').gauge).toMatchObject({ simulated: true, name: 'Simulated digital gauge' });
  });

  test('scatter about the truth by a little', () => {
    let seed = 1;
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const { gauge, heard } = heardOf('caliper', random, 1000);
    for (let i = 0; i < 400; i++) {
      gauge.take(2);
      gauge.zero();
    }
    const values = heard.map((l) => Number(/L (-?[\d.]+) mm/.exec(l)?.[1]));
    const mean = values.reduce((a, b) => a + b, 0) / values.length;
    expect(mean).toBeCloseTo(2, 2);
    expect(Math.max(...values) - Math.min(...values)).toBeGreaterThan(0.01);
    expect(Math.max(...values.map((v) => Math.abs(v - 2)))).toBeLessThan(0.05);
  });

  test('drift until they are set to zero', () => {
    const { gauge, heard } = heardOf('caliper', still, 1000);
    for (let i = 0; i < 100; i++) gauge.take(1);
    const [first, last] = [heard[0], heard.at(-1)].map((l) => Number(l?.split(' ')[1]));
    expect((last ?? 0) - (first ?? 0)).toBeCloseTo(0.04, 1);
    gauge.zero();
    gauge.take(1);
    expect(heard.at(-1)).toBe(heard[0]);
  });

  test('say a low battery, then nothing more', () => {
    const { gauge, heard } = heardOf('fret-dial', still, 10);
    gauge.take(1);
    expect(heard[1]).toBe('B 9 %');
    for (let i = 0; i < 25; i++) gauge.take(1);
    expect(heard.at(-1)).toBe('! battery empty');
    expect(gauge.battery()).toBe(0);
  });

  test('the hygrometer speaks of the air; who stops listening hears no more', async () => {
    const { gauge, heard, stop } = heardOf('hygrometer');
    gauge.take(21, 44);
    expect(readGaugeLine(heard[0] ?? '')).toMatchObject({ kind: 'air' });
    stop();
    gauge.take(21, 44);
    await gauge.close();
    expect(heard).toHaveLength(1);
  });
});
