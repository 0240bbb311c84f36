import { seeded } from '../core/seeded.ts';
import type { Story } from './story.ts';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** The logger hangs at the benches since so many days. */
const DAYS = 430;

/** The air of the shop at a moment: damp in July, dry in January, a little of both over a day, and what the week's weather does. */
function airAt(at: number, weather: number): readonly [humidity: number, temperature: number] {
  const year = Math.cos((2 * Math.PI * (at / DAY - 200)) / 365.25);
  const day = Math.cos((2 * Math.PI * (at - 15 * HOUR)) / DAY);
  const round = (v: number): number => Math.round(v * 10) / 10;
  return [round(45 + 14 * year - 2 * day + weather), round(21 + 2 * year + 1.2 * day)];
}

/** What the shop's logger wrote down until the evening before today. */
export async function logAir(story: Story, today: number): Promise<void> {
  const random = seeded(77);
  let weather = 0;
  const last = today - DAY + 18 * HOUR;
  const hours = Array.from({ length: DAYS * 24 }, (_, i): [number, number, number] => {
    // Weather comes and goes within some days.
    weather = 0.98 * weather + 0.7 * (random() - 0.5) * 2;
    const at = last - (DAYS * 24 - 1 - i) * HOUR;
    return [Math.round(at / HOUR), ...airAt(at, weather)];
  });
  await story.give('house.bring-air', { name: 'logger over bench two.csv', hours });
}
