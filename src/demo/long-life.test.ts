import { longLife } from './long-life.ts';

const DAY = 86_400_000;
const MM_A_THOU = 0.0254;
const mmOf64ths = (text: string): number => (Number(text.replace('/64', '')) / 64) * 25.4;

test('on whatever day the demo is loaded, every visit leaves it in its bands and turns the rod a quarter at most', () => {
  for (let day = 0; day < 366; day++) {
    const today = Date.UTC(2026, 0, 1) + day * DAY;
    const visits = longLife(today);
    expect(visits.map((v) => v.number)).toEqual([23, 88, 141, 203, 266, 318, 372]);
    for (const v of visits) {
      const asLeft = v.rounds?.find((r) => r.kind === 'as-left');
      const relief = Number(asLeft?.relief) * 1000 * MM_A_THOU;
      expect([day, v.number, relief > 0.12 && relief < 0.25]).toEqual([day, v.number, true]);
      const [bass, treble] = (asLeft?.action ?? ['0', '0']).map(mmOf64ths);
      expect([day, v.number, (bass ?? 0) > 1.5 && (bass ?? 9) < 2]).toEqual([day, v.number, true]);
      expect([day, v.number, (treble ?? 0) > 1.2 && (treble ?? 9) < 1.6]).toEqual([day, v.number, true]);
      for (const [eighths] of v.turns ?? []) expect(Math.abs(eighths)).toBeLessThanOrEqual(2);
    }
  }
});
