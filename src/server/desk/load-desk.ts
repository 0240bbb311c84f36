import { Op, QueryTypes } from 'sequelize';
import { addDays, dayIn, startOfDay } from '../../core/days/zone.ts';
import { whoToCall, type ToCall } from '../../core/desk/who-to-call.ts';
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
  /** promised for the days to come */
  readonly due: readonly RackTag[];
  /** checks that were offered for about now */
  readonly checks: readonly DueCheck[];
  readonly call: readonly ToCall[];
  /** what was written to customers lately, newest first */
  readonly told: readonly Told[];
  /** the shop's day, yyyy-mm-dd */
  readonly today: string;
}

/** A check after an earlier hand-over. */
export interface DueCheck {
  readonly number: number;
  readonly day: string;
  readonly customer: string;
  readonly instrument: string;
}

/** A message that was written lately. */
export interface Told {
  readonly id: number;
  readonly number: number;
  readonly customer: string;
  readonly purpose: string;
  readonly channel: 'mail' | 'text' | 'call';
  readonly state: 'waiting' | 'delivered' | 'failed';
  readonly simulated: boolean;
  readonly trouble: string;
  readonly at: string;
}

const DAY_MS = 86_400_000;
const DAYS_AHEAD = 7;
const TOLD_DAYS = 3;
const CHECKS_DAYS = [14, 7] as const;

const CHECKS_SQL = `SELECT j.number, DATE_FORMAT(h.next_check, '%Y-%m-%d') AS day, c.name AS customer,
  TRIM(CONCAT(i.maker, ' ', i.model)) AS instrument
  FROM hand_overs h JOIN jobs j ON j.id = h.job_id JOIN customers c ON c.id = j.customer_id JOIN instruments i ON i.id = j.instrument_id
  WHERE h.next_check BETWEEN ? AND ? AND j.state = 'closed'
    AND NOT EXISTS (SELECT 1 FROM jobs later WHERE later.instrument_id = j.instrument_id AND later.number > j.number)
  ORDER BY h.next_check, j.number`;

const MESSAGES_SQL = `SELECT m.id, m.job_id AS jobId, m.purpose, m.channel, m.state, m.trouble, m.went_by AS wentBy, m.made_at AS at,
  j.number, c.name AS customer, c.phone
  FROM messages m JOIN jobs j ON j.id = m.job_id JOIN customers c ON c.id = j.customer_id
  WHERE j.state = 'open' OR m.made_at >= ? ORDER BY m.id`;

interface MessageOfDesk extends Omit<Told, 'simulated' | 'at'> {
  readonly jobId: number;
  readonly wentBy: string;
  readonly at: Date;
}

const PHONES_SQL = `SELECT j.id, c.phone FROM jobs j JOIN customers c ON c.id = j.customer_id WHERE j.state = 'open'`;

/** The jobs on which a colleague was asked and has not answered. */
const ASKED_SQL = `SELECT DISTINCT r.job_id AS jobId FROM remarks r JOIN jobs j ON j.id = r.job_id
  WHERE j.state = 'open' AND r.kind = 'question' AND r.to_person IS NOT NULL AND r.answered_at IS NULL`;

/** Whom to call about what hangs here, and who was told what lately. */
async function loadWords(db: Database, tags: readonly RackTag[], now: Date) {
  const since = new Date(now.getTime() - TOLD_DAYS * DAY_MS);
  const [messages, phones, questions] = await Promise.all([
    db.sequelize.query<MessageOfDesk>(MESSAGES_SQL, { type: QueryTypes.SELECT, replacements: [since] }),
    db.sequelize.query<{ id: number; phone: string }>(PHONES_SQL, { type: QueryTypes.SELECT }),
    db.sequelize.query<{ jobId: number }>(ASKED_SQL, { type: QueryTypes.SELECT }),
  ]);
  const colleagueAsked = new Set(questions.map((q) => q.jobId));
  const call = whoToCall(
    tags.map((t) => ({
      ...t,
      phone: phones.find((p) => p.id === t.jobId)?.phone ?? '',
      instrument: `${t.maker} ${t.model}`.trim(),
      asked: t.facts.asked,
      colleagueAsked: colleagueAsked.has(t.jobId),
      written: messages
        .filter((m) => m.jobId === t.jobId)
        .map((m) => ({ ...m, at: new Date(m.at).getTime() })),
    })),
    now.getTime(),
  );
  const told = messages
    .filter((m) => new Date(m.at) >= since)
    .map(({ id, number, customer, purpose, channel, state, trouble, wentBy, at }) => ({
      id,
      number,
      customer,
      purpose,
      channel,
      state,
      trouble,
      simulated: wentBy === 'simulated',
      at: new Date(at).toISOString(),
    }))
    .reverse();
  return { call, told };
}

/** The counter's day. `now` decides what today is. */
export async function loadDesk(db: Database, now: Date): Promise<DeskDay> {
  const { zone } = await loadShop(db);
  const today = dayIn(now.getTime(), zone);
  const [tags, came, checks] = await Promise.all([
    loadRack(db),
    db.models.Job.findAll({
      attributes: ['id'],
      where: { state: 'open', takenInAt: { [Op.gte]: new Date(startOfDay(today, zone)) } },
    }),
    db.sequelize.query<DueCheck>(CHECKS_SQL, {
      type: QueryTypes.SELECT,
      replacements: [addDays(today, -CHECKS_DAYS[0]), addDays(today, CHECKS_DAYS[1])],
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
    due: tags.filter(
      (t) => !goingHome.includes(t) && t.neededBy !== null && t.neededBy <= addDays(today, DAYS_AHEAD),
    ),
    checks,
    ...(await loadWords(db, tags, now)),
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
