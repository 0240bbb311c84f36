import { sayDate } from '../../core/days/say-days.ts';
import { dayIn } from '../../core/days/zone.ts';
import type { JobView } from '../leaves/load-job.ts';

/** The day of a moment (ISO) as the shop writes its days on paper. */
export const dayOn = ({ shop }: Pick<JobView, 'shop'>, at: string): string =>
  sayDate(dayIn(Date.parse(at), shop.zone), shop.dates);
