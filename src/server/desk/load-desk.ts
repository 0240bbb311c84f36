import { Op } from 'sequelize';
import { dayIn, startOfDay } from '../../core/days/zone.ts';
import { loadShop } from '../house/load-shop.ts';
import type { Database } from '../db/connection.ts';
import { loadRack, type RackTag } from '../rack/load-rack.ts';
import { findCustomers, type FoundCustomer } from './find.ts';

/** What the person at the counter has today. */
export interface DeskDay {
  /** promised for today or before, or waiting to be fetched */
  readonly goingHome: readonly RackTag[];
  /** somebody has to be asked or told */
  readonly words: readonly RackTag[];
  readonly cameToday: readonly RackTag[];
  /** the shop's day, yyyy-mm-dd */
  readonly today: string;
}

/** The counter's day. `now` decides what today is. */
export async function loadDesk(db: Database, now: Date): Promise<DeskDay> {
  const { zone } = await loadShop(db);
  const today = dayIn(now.getTime(), zone);
  const [tags, came] = await Promise.all([
    loadRack(db),
    db.models.Job.findAll({
      attributes: ['id'],
      where: { state: 'open', takenInAt: { [Op.gte]: new Date(startOfDay(today, zone)) } },
    }),
  ]);
  const ids = new Set(came.map((j) => j.id));
  const goingHome = tags.filter(
    (t) => t.waitingFor === 'home' || (t.neededBy !== null && t.neededBy <= today),
  );
  return {
    goingHome,
    words: tags.filter((t) => !goingHome.includes(t) && (t.facts.asked > 0 || t.waitingFor === 'word')),
    cameToday: tags.filter((t) => ids.has(t.jobId)),
    today,
  };
}

/** What a search at the counter finds: instruments that are here, and the customers of the shop with theirs. */
export interface DeskFound {
  readonly here: readonly RackTag[];
  readonly customers: readonly FoundCustomer[];
  /** the job meant without doubt: its own number, or the exact serial of what is here */
  readonly sure: number | null;
}

/**
 * Reads what a scanner or a hand wrote: a tag's code is an address that ends in its number.
 * @example 'https://shop.example/job/412' → '412'
 */
export const readSearch = (text: string): string =>
  /\/job\/(\d{1,9})(?:\/|$)/.exec(text.trim())?.[1] ?? text.trim();

const MOST = 12;

/** Finds by tag, serial, name or telephone. Instruments in the house come first. */
export async function findAtDesk(db: Database, text: string): Promise<DeskFound> {
  const piece = readSearch(text);
  if (piece.length < 2) return { here: [], customers: [], sure: null };
  const [tags, customers] = await Promise.all([loadRack(db), findCustomers(db, piece)]);
  const numbers = new Set(customers.flatMap((c) => c.instruments.map((i) => i.openJob)));
  const here = tags.filter((t) => String(t.number) === piece || numbers.has(t.number));
  const exact = customers
    .flatMap((c) => c.instruments)
    .filter((i) => i.serial.toLowerCase() === piece.toLowerCase());
  const number =
    here.find((t) => String(t.number) === piece)?.number ?? (exact.length === 1 ? exact[0]?.openJob : null);
  return { here: here.slice(0, MOST), customers, sure: number ?? null };
}
