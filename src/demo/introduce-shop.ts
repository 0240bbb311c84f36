import { NO_HOURS, type WeekHours } from '../core/days/opening.ts';
import type { Database } from '../server/db/connection.ts';

/** Mondays to Fridays with an hour for lunch. */
function week(): Partial<WeekHours> {
  const day = [
    { from: 540, to: 750 },
    { from: 810, to: 1080 },
  ];
  return { monday: day, tuesday: day, wednesday: day, thursday: day, friday: day };
}

/** Where the demo shop is, how it is reached, and what stands at the foot of its papers. */
export async function introduceShop({ models }: Database): Promise<void> {
  const shop = await models.Setting.findByPk('shop');
  await shop?.update({
    value: {
      ...(shop.value as object),
      address: 'The Boat Shed, Slip Lane\nSaltmarren',
      phone: '555 0100',
      email: 'bench@quillmere.invalid',
      foot: 'Small things we put right while you wait. Ask.',
      hourly: 6000,
      minimum: 1500,
    },
  });
  await models.Setting.create({
    name: 'opening',
    value: { hours: { ...NO_HOURS, ...week(), saturday: [{ from: 600, to: 780 }] }, closed: [] },
    version: 1,
  });
}
