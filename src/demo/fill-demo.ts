import { operation } from '../core/catalogue/operations.ts';
import { randomUUID } from 'node:crypto';
import type { Database } from '../server/db/connection.ts';
import type { Person } from '../server/db/models/people.ts';
import type { JobView } from '../server/leaves/load-job.ts';
import { keepPhoto } from '../server/photos/keep-photo.ts';
import { hashPin } from '../server/people/pin.ts';
import type { Actor } from '../server/use-case/use-case.ts';
import { logAir } from './air.ts';
import { BACKLOG } from './backlog.ts';
import { tellBiographies } from './biographies.ts';
import { fillBook, type Ids } from './fill-book.ts';
import { fillShop } from './fill-shop.ts';
import { introduceShop } from './introduce-shop.ts';
import { demoGauges } from './gauges.ts';
import { hunt, playPlaces } from './noises.ts';
import { DEMO_JOBS, type DemoJob } from './jobs.ts';
import { madeUpPhoto } from './made-up-photo.ts';
import { learnDue } from '../server/learn/learn-due.ts';
import { longLife } from './long-life.ts';
import { saddleVisits } from './saddles.ts';
import { countDue } from '../server/jobs/job-facts.ts';
import { DEMO_PEOPLE } from './people.ts';
import { practise } from './practice.ts';
import { readRound } from './read-round.ts';
import { fillShelves, orderSome } from './stores.ts';
import { sendAsWritten } from './send-as-written.ts';
import { Story } from './story.ts';

const DAY = 86_400_000;
const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
export const DEMO_SHOP = 'Quillmere Fretworks';
/** The beginning of a moment's day, ms. */
const dayOf = (now: number): number => Math.floor(now / DAY) * DAY;

async function inspect(story: Story, job: DemoJob, view: JobView): Promise<void> {
  const { items } = view.inspection;
  const share = job.inspected ?? 0;
  for (const item of items.slice(0, Math.round(items.length * share))) {
    const note = job.needsWork?.[item.key];
    const answer = note === undefined ? (item.key === 'binding' ? 'watch' : 'fine') : 'work';
    await story.give('inspection.answer', {
      jobId: view.id,
      item: item.key,
      answer,
      note: note ?? '',
      ...(job.found?.[item.key] && { finding: job.found[item.key] }),
      version: 0,
    });
  }
  if (share === 1) await story.give('inspection.finish', { jobId: view.id, version: 0, ending: '' });
}

async function plan(story: Story, job: DemoJob, number: number): Promise<void> {
  const view = await story.view(number);
  const jobId = view.id;
  if (job.accept) {
    for (const line of [...view.proposal.lines, ...view.proposal.then]) {
      await story.give('plan.decide', {
        jobId,
        line: line.key,
        decision: 'accepted',
        change: '',
        reason: '',
        version: 0,
      });
    }
  }
  for (const operation of job.add ?? []) await story.give('plan.add', { jobId, operation, detail: '' });
  if (!job.approve) return;
  for (const line of (await story.view(number)).lines) {
    await story.give('work.answer', {
      lineId: line.id,
      version: line.version,
      answer: 'yes',
      by: view.customer.name,
      how: 'by telephone',
    });
  }
}

/** The last moment at least four hours ago at which a shop is at work in the day, ms: from nine to four. */
function lately(now: number): number {
  const at = now - 4 * HOUR;
  const hour = Math.floor((at % DAY) / HOUR);
  const day = at - (at % DAY);
  return hour < 9 ? day - DAY + 16 * HOUR : Math.min(at, day + 16 * HOUR);
}

async function work(story: Story, job: DemoJob, number: number): Promise<void> {
  const view = await story.view(number);
  const steps = view.lines.slice(0, Math.floor(job.worked ?? 0));
  let bare = false;
  if (job.workedFrom === 'lately') story.goTo(lately(Date.now()));
  else if (job.workedFrom) story.after(job.workedFrom);
  for (const step of steps) {
    const started = await story.give('work.step', {
      lineId: step.id,
      version: step.version,
      action: 'start',
      without: 'read in passing, not written down',
    });
    if (step.operation === 'rod')
      for (const [eighths, after] of job.turns ?? [])
        await story.give('work.turn', { lineId: step.id, eighths, after, unit: 'thou' });
    if (step.operation === 'saddle-lower')
      for (const [place, meant, took] of job.cuts ?? [])
        await story.give('work.cut', { lineId: step.id, place, meant, took, unit: 'mm' });
    story.pass(step.minutes.likely * MINUTE);
    const finishes = { lineId: step.id, version: started.version };
    const { strings } = operation(step.operation);
    if (strings === 'on' && bare)
      await story.give('strings.on', {
        jobId: view.id,
        setName: '',
        fresh: true,
        strings: [...view.instrument.construction.strings],
        finishes,
      });
    else await story.give('work.step', { ...finishes, action: 'finish' });
    bare = strings === 'off' || (bare && strings !== 'on');
  }
}

async function handOver(story: Story, job: DemoJob, number: number): Promise<void> {
  const view = await story.view(number);
  if (!job.signed) return;
  for (const item of view.items) {
    await story.give('hand-over.return', {
      itemId: item.id,
      version: item.version,
      returned: true,
      absence: '',
    });
  }
  const checks = Object.fromEntries(view.handOver.asked.map((c) => [c.key, true]));
  const { version } = await story.give('hand-over.check', {
    jobId: view.id,
    version: 0,
    checks,
    exception: '',
  });
  await story.give('hand-over.sign', {
    jobId: view.id,
    version,
    signer: view.customer.name,
    signature: null,
  });
}

interface Taken {
  readonly job: DemoJob;
  readonly story: Story;
  readonly number: number;
  readonly jobId: number;
}

/** Whoever comes today has come, also where the shop is loaded before it opens. */
const NOT_LONG_AGO = 10 * MINUTE;

async function arrive(db: Database, actor: Actor, job: DemoJob, now: number, ids: Ids): Promise<Taken> {
  const today = dayOf(now);
  const nine = today + job.taken * DAY + 9 * 60 * MINUTE;
  const story = new Story(db, actor, Math.min(nine, now - NOT_LONG_AGO));
  const instrument = ids.instruments.get(job.serial);
  if (!instrument) throw new Error(`demo: no instrument ${job.serial}`);
  const { number, jobId } = await story.give('desk.take-in', {
    customer: { id: instrument.customerId },
    instrument: { id: instrument.id },
    complaint: job.complaint,
    touch: job.touch,
    plays: job.plays,
    wish: job.wish ?? '',
    neededBy: job.due === null ? null : new Date(today + job.due * DAY).toISOString().slice(0, 10),
    hardDate: job.hard !== undefined,
    hardReason: job.hard ?? '',
    limitMinor: null,
    stringsState: job.strings ?? 'at-pitch',
    cameWith: (job.things ?? []).map((name) => ({ name, state: '' })),
    placeId: ids.places.get(job.place) ?? null,
  });
  for (const [n, [view, x, y, words]] of (job.damage ?? []).entries()) {
    const { markId } = await story.give('custody.mark', { jobId, view, x, y, words });
    if (n === 0) await photograph(db, actor, jobId, markId, story.now());
  }
  return { job, story, number, jobId };
}

async function photograph(
  db: Database,
  actor: Actor,
  jobId: number,
  markId: number,
  now: Date,
): Promise<void> {
  const [id, bytes] = [randomUUID(), await madeUpPhoto()];
  const { personId } = actor;
  const facts = { jobId, markId, item: null, personId, name: 'chip.jpg', size: bytes.length, begunAt: now };
  await db.models.UploadRow.create({ id, ...facts });
  const kept = await keepPhoto(db, actor, id, bytes, now);
  if (!kept.ok) throw new Error(`demo: ${kept.error}`);
}

/** Looking, reading and planning: nobody's clock runs, so all stories may be told at once. */
async function prepare({ job, story, number }: Taken): Promise<void> {
  await inspect(story, job, await story.view(number));
  const asFound = job.rounds?.find((r) => r.kind === 'as-found');
  if (asFound) await readRound(story, asFound, await story.view(number));
  await plan(story, job, number);
  await hunt(story, job, number);
  await playPlaces(story, job, number);
}

/** What people said to each other over a job, what went wrong, what was found, and who has it now. */
async function wordsOf(story: Story, job: DemoJob, number: number): Promise<void> {
  const view = await story.view(number);
  const jobId = view.id;
  const person = (name: string): number =>
    view.people.find((p) => p.name === name)?.id ?? raise(`nobody is ${name}`);
  const none = { jobId, lineId: null };
  if (job.note) await story.give('work.remark', { ...none, kind: 'note', words: job.note, toPerson: null });
  if (job.question) {
    const [to, words] = job.question;
    await story.give('work.remark', { ...none, kind: 'question', words, toPerson: person(to) });
  }
  if (job.accident) {
    const [happened, remedy] = job.accident;
    await story.give('work.accident', { ...none, happened, remedy });
  }
  if (job.change) {
    const [operation, found] = job.change;
    await story.give('work.ask-change', {
      jobId,
      operation,
      detail: '',
      found,
      stops: null,
      withinLimit: false,
    });
  }
  if (job.handedTo) {
    const [to, state, tried, beware] = job.handedTo;
    const { version } = await story.view(number);
    await story.give('work.hand-on', { jobId, version, toPerson: person(to), state, tried, beware });
  }
}

/** Working and handing over: a person has one clock, so these are told one after the other. */
async function carryOut({ job, story, number, jobId }: Taken): Promise<void> {
  await work(story, job, number);
  for (const name of job.bags ?? []) await story.give('custody.bag', { jobId, name, state: '' });
  const asLeft = job.rounds?.find((r) => r.kind === 'as-left');
  if (asLeft) await readRound(story, asLeft, await story.view(number));
  await handOver(story, job, number);
  await wordsOf(story, job, number);
  if (job.called) {
    story.after(job.called[0]);
    await story.give('desk.called', { jobId, purpose: 'ready', reached: true, note: job.called[1] });
  }
  if (!job.waits) return;
  const { version, placeId, holderId } = await story.view(number);
  const { for: waitingFor, note: waitingNote } = job.waits;
  await story.give('rack.move', { jobId, version, placeId, holderId, waitingFor, waitingNote });
}

const FIRST_NUMBER = 401;
/** The shelves are in the book since so many days. */
const SHELVES_SINCE = 200;

/** The next job gets that number, if none has a higher one: what came long ago has a low one. */
async function beginNumbersAt({ models }: Database, firstNumber: number): Promise<void> {
  const setting = await models.Setting.findOne({ where: { name: 'shop' }, rejectOnEmpty: true });
  await setting.update({ value: { ...(setting.value as object), firstNumber } });
}

/** Loads the invented demo shop into an empty database. Deterministic; dates are relative to `now`'s day. */
export async function fillDemo(db: Database, now: Date): Promise<void> {
  await fillShop(db, DEMO_SHOP);
  await introduceShop(db);
  const hashes = await Promise.all(DEMO_PEOPLE.map(({ pin }) => hashPin(pin)));
  // One after the other: they have the same numbers each time.
  const people: Person[] = [];
  for (const [i, { pin: _, ...p }] of DEMO_PEOPLE.entries())
    people.push(await db.models.Person.create({ ...p, pinHash: hashes[i] ?? '' }));
  const device = await db.models.Device.create({
    name: 'demo loader',
    tokenHash: '-'.repeat(64),
    pairedAt: now,
    revokedAt: now,
  });
  await db.models.GaugeRow.bulkCreate(demoGauges(now));
  const ids = await fillBook(db, now);
  const today = dayOf(now.getTime());
  const hands = people
    .filter((p) => p.role === 'lead' || p.role === 'owner')
    .map(({ id: personId, name, initials, role }): Actor => ({
      personId,
      deviceId: device.id,
      name,
      initials,
      role,
    }));
  const actor = (n: number): Actor => hands[n % hands.length] ?? raise('nobody works here');
  const taken: Taken[] = [];
  const before = [...longLife(today), ...saddleVisits()].sort((a, b) => a.number - b.number);
  for (const job of before) {
    await beginNumbersAt(db, job.number);
    const arrived = await arrive(db, actor(0), job, now.getTime(), ids);
    await prepare(arrived);
    await carryOut(arrived);
  }
  const onShelves = await fillShelves(
    new Story(db, actor(0), today - SHELVES_SINCE * DAY + 10 * 60 * MINUTE),
    today,
  );
  await beginNumbersAt(db, FIRST_NUMBER);
  for (const [n, job] of DEMO_JOBS.entries()) {
    const arrived = await arrive(db, actor(n), job, now.getTime(), ids);
    if (job.signed) {
      await prepare(arrived);
      await carryOut(arrived);
    } else taken.push(arrived);
  }
  await Promise.all(taken.map(prepare));
  for (const t of taken) await carryOut(t);
  // What waits takes from the shelves only what nobody else wants.
  for (const [n, job] of BACKLOG.entries())
    await prepare(await arrive(db, actor(n), job, now.getTime(), ids));
  await orderSome(new Story(db, actor(0), today - 6 * DAY + 9 * 60 * MINUTE), today, onShelves);
  await tellBiographies(new Story(db, actor(0), today - DAY + 10 * 60 * MINUTE), ids.instruments);
  await logAir(new Story(db, actor(0), today - DAY + 19 * 60 * MINUTE), today);
  const tomas = people.find((p) => p.initials === 'TV') ?? raise('Tomas does not work here');
  await practise(new Story(db, actor(0), today - 2 * DAY + 16 * 60 * MINUTE), tomas.id);
  await sendAsWritten(db, new Date(now.getTime() - 12 * HOUR));
  await countDue(db);
  while ((await learnDue(db)) > 0);
}

function raise(why: string): never {
  throw new Error(`demo: ${why}`);
}
