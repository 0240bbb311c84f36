import { ALWAYS, sayWeek, type Opening } from '../../core/days/opening.ts';
import type { ShopInfo } from '../../core/job/shop.ts';
import type { Paper } from './paper.ts';

/** What stands at the head of a paper beside who the shop is. */
export interface PaperHead {
  readonly opening: Opening;
  /** PNG */
  readonly logo: Buffer | null;
}

export const PLAIN_HEAD: PaperHead = { opening: ALWAYS, logo: null };

/** Who the shop is, at the head of a paper: its name, and the line of where it is and how it is reached. */
export function letterhead(paper: Paper, shop: ShopInfo, { opening, logo }: PaperHead): void {
  if (logo) paper.logo(logo, shop.name);
  const where = [...shop.address.split('\n'), shop.phone, shop.email, shop.web]
    .map((t) => t.trim())
    .filter((t) => t !== '');
  paper.text(shop.name, { tone: 'quiet' });
  if (where.length > 0) paper.text(where.join(' · '), { size: 8, tone: 'quiet' });
  const open = sayWeek(opening.hours);
  if (open !== '') paper.text(`Open ${open}`, { size: 8, tone: 'quiet' });
}

/** The shop's own words at the foot of a paper, where it has any. */
export function footer(paper: Paper, shop: ShopInfo): void {
  if (shop.foot === '') return;
  paper.pdf.y += 12;
  paper.text(shop.foot, { size: 8, tone: 'quiet' });
}
