import { QueryTypes } from 'sequelize';
import { STATIONS, type Skill, type WorkPlace } from '../../core/catalogue/operation-record.ts';
import type { OperationId } from '../../core/catalogue/operation-ids.ts';
import { CONDITION_FACTS, type FactsOfConditions } from '../../core/instrument/condition.ts';
import { wholeOperation, type KeptOperation } from '../../core/catalogue/operations.ts';
import { startOfDay, addDays, dayIn } from '../../core/days/zone.ts';
import { may } from '../../core/people/roles.ts';
import { answersHere, type Answered } from '../../core/schedule/answers.ts';
import type { Board } from '../../core/schedule/board.ts';
import type { ShopWork, Spot } from '../../core/schedule/shop-work.ts';
import {
  jobToPlan,
  type JobToPlan,
  type LineToPlan,
  type PlanningDay,
  type Put,
} from '../../core/schedule/steps-of-job.ts';
import { restsSince } from '../../core/work/waits.ts';
import {
  restingOf,
  restsWithPlaces,
  takenBy,
  withTaken,
  type RestShown,
} from '../../core/schedule/resting.ts';
import { weekRulesSchema, type WeekRules } from '../../contracts/week-rules.ts';
import type { Database } from '../db/connection.ts';
import { readShop, type ShopState } from '../house/read-shop.ts';
import { loadRack, type RackTag } from '../rack/load-rack.ts';
import { awaitedParts } from '../stores/read-orders.ts';
import { grouped } from './grouped.ts';
import { loadAway, loadExtraHours } from './load-away.ts';
import { measuredHere } from './measured-here.ts';
import { closesOn, workingTime, type Away, type ExtraHours } from './working-time.ts';

export const MINUTE = 60_000;
const GRAIN_MS = 5 * MINUTE;
const LEVEL = { bench: 0, setup: 1, senior: 2 } as const;

/** What is planned, and what the screens say of it. */
export interface WeekWork {
  /** when the plan begins, ms */
  readonly from: number;
  readonly shop: ShopState;
  readonly rules: WeekRules;
  readonly work: ShopWork;
  readonly tags: readonly RackTag[];
  readonly away: readonly (Away & { readonly id: number; readonly why: string })[];
  readonly extra: readonly (ExtraHours & { readonly id: number })[];
  readonly puts: ReadonlyMap<string, Put & { readonly version: number }>;
  /** what rests after a finished step, the first to end first */
  readonly resting: readonly RestShown[];
  /** everybody's letters, by their number */
  readonly initials: ReadonlyMap<number, string>;
  /** by what jobs become steps */
  readonly day: PlanningDay;
}

/** The work of the shop with its plan. */
export interface KeptPlan extends WeekWork {
  readonly board: Board;
}

interface LineRow {
  readonly id: number;
  readonly jobId: number;
  readonly operation: OperationId;
  readonly title: string;
  readonly sort: number;
  readonly minutes: number;
  readonly approval: LineToPlan['approval'];
  readonly step: LineToPlan['step'];
  readonly askedAt: Date | null;
  readonly finishedAt: Date | null;
  readonly turnedAt: Date | null;
  readonly stops: number | null;
  readonly record: KeptOperation | string | null;
  readonly spent: number | string;
  readonly begunBy: string | null;
  readonly rodNut: JobToPlan['rodNut'];
  readonly strings: JobToPlan['strings'];
}

const LINES_SQL = `SELECT l.id, l.job_id AS jobId, l.operation, l.title, l.sort, l.minutes, l.approval, l.step, l.offered_at AS askedAt,
  l.finished_at AS finishedAt, IF(l.operation = 'rod', (SELECT MAX(turned_at) FROM rod_turns t WHERE t.job_id = l.job_id), NULL) AS turnedAt, l.stops,
  l.record, COALESCE(SUM(TIMESTAMPDIFF(SECOND, e.started_at, COALESCE(e.ended_at, ?))), 0) / 60 AS spent,
  SUBSTRING_INDEX(GROUP_CONCAT(e.person_id ORDER BY e.started_at DESC, e.id DESC), ',', 1) AS begunBy,
  JSON_VALUE(i.construction, '$.rodNut') AS rodNut, j.strings_state AS strings
  FROM jobs j JOIN instruments i ON i.id = j.instrument_id JOIN work_lines l ON l.job_id = j.id LEFT JOIN time_entries e ON e.line_id = l.id
  WHERE j.state = 'open' GROUP BY l.id`;

const FINDINGS_SQL = `SELECT i.job_id AS jobId, CONCAT(a.item, ':', a.finding) AS found FROM jobs j
  JOIN inspections i ON i.job_id = j.id JOIN inspection_answers a ON a.inspection_id = i.id
  WHERE j.state = 'open' AND a.finding IS NOT NULL`;

/** Of what has no order yet, what is known of it: only there it is asked. */
const SAID_SQL = `SELECT j.id AS jobId, CONCAT_WS(' ', j.complaint, j.wish) AS said, j.strings_state AS strings, i.kind,
  JSON_OBJECT(${CONDITION_FACTS.map((f) => `'${f}', JSON_VALUE(i.construction, '$.${f}')`).join(', ')}) AS built
  FROM jobs j JOIN instruments i ON i.id = j.instrument_id
  WHERE j.state = 'open' AND NOT EXISTS (SELECT 1 FROM work_lines l WHERE l.job_id = j.id AND l.approval <> 'no')`;

type SaidRow = Pick<JobToPlan, 'said' | 'strings' | 'kind'> & {
  readonly jobId: number;
  readonly built: FactsOfConditions;
};

const PROMISES_SQL = `SELECT p.job_id AS jobId, DATE_FORMAT(p.day, '%Y-%m-%d') AS day FROM jobs j JOIN promises p ON p.job_id = j.id
  WHERE j.state = 'open' AND p.id = (SELECT MAX(id) FROM promises WHERE job_id = j.id)`;

const msOf = (d: Date | null): number | null => (d === null ? null : new Date(d).getTime());

const asLine = (r: LineRow): LineToPlan => ({
  id: r.id,
  operation: r.operation,
  title: r.title,
  sort: r.sort,
  minutes: r.minutes,
  approval: r.approval,
  step: r.step,
  stops: r.stops,
  spent: Number(r.spent),
  begunBy: r.begunBy === null ? null : Number(r.begunBy),
  finishedAt: restsSince(msOf(r.finishedAt), msOf(r.turnedAt)),
  askedAt: msOf(r.askedAt),
  agreed:
    r.record === null
      ? null
      : wholeOperation(typeof r.record === 'string' ? (JSON.parse(r.record) as KeptOperation) : r.record),
});

/** Benches, jigs and clamps as the shop has them, with the days on which one cannot be used. */
function spotsOf(
  rules: WeekRules,
  benches: readonly { id: number; name: string }[],
  from: number,
  zone: string,
): Spot[] {
  const minutes = (ms: number): number => Math.round((ms - from) / MINUTE);
  const few = (Object.entries(rules.places) as [WorkPlace, number][]).flatMap(([kind, count]) =>
    Array.from({ length: count }, (_, i): Spot => {
      const name = STATIONS[kind].replace(/^(?:an?|the) /, '');
      // What is out is the first of its kind.
      const out = rules.out
        .filter((o) => i === 0 && o.place === kind)
        .map((o) => ({
          from: minutes(startOfDay(o.from, zone)),
          to: minutes(startOfDay(addDays(o.to, 1), zone)),
        }));
      return { id: `${kind}-${i + 1}`, name: count > 1 ? `${name} ${i + 1}` : name, kind, out };
    }),
  );
  return [
    ...benches.map((b): Spot => ({ id: `bench-${b.id}`, name: b.name, kind: 'bench', out: [] })),
    ...few,
  ];
}

async function readRows(db: Database, now: Date) {
  const { models, sequelize } = db;
  const ask = <T extends object>(sql: string, replacements: unknown[] = []): Promise<T[]> =>
    sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements });
  const [shop, tags, lines, findings, said, promises, people, places, puts, planned, times, awaited] =
    await Promise.all([
      readShop(models),
      loadRack(db, now),
      ask<LineRow>(LINES_SQL, [now]),
      ask<{ jobId: number; found: string }>(FINDINGS_SQL),
      ask<SaidRow>(SAID_SQL),
      ask<{ jobId: number; day: string }>(PROMISES_SQL),
      models.Person.findAll({ where: { active: true }, order: [['name', 'ASC']] }),
      models.Place.findAll({ where: { kind: 'bench' }, order: [['sort', 'ASC']] }),
      models.StepPut.findAll(),
      models.PlannedStep.findAll(),
      measuredHere(db, now.getTime()),
      awaitedParts(models, now),
    ]);
  const parts = awaited.map(({ want, at }) => ({ jobId: want.jobId, lineId: want.lineId, at }));
  return { shop, tags, lines, findings, said, promises, people, places, puts, planned, times, parts };
}

type Rows = Awaited<ReturnType<typeof readRows>>;

/** What is known of a job without an order; of one that has one, how its strings are. */
function saidOf(
  r: SaidRow | undefined,
  strings: JobToPlan['strings'] = 'at-pitch',
): Pick<JobToPlan, 'said' | 'kind' | 'built' | 'strings'> {
  if (!r) return { said: '', kind: '', built: null, strings };
  return { said: r.said, kind: r.kind, strings: r.strings, built: r.built };
}

function jobsToPlan(rows: Rows): JobToPlan[] {
  const lines = grouped(rows.lines);
  const found = grouped(rows.findings);
  const parts = grouped(rows.parts);
  const said = new Map(rows.said.map((r) => [r.jobId, r]));
  const promised = new Map(rows.promises.map((p) => [p.jobId, p.day]));
  return rows.tags.map((t): JobToPlan => ({
    id: t.jobId,
    number: t.number,
    title: `${t.maker} ${t.model}`.trim() || t.kindName,
    neededBy: t.neededBy,
    hardDate: t.hardDate,
    promised: promised.get(t.jobId) ?? null,
    holderId: t.holderId,
    waitingFor: t.waitingFor,
    waitingUntil: t.waitingUntil === null ? null : Date.parse(t.waitingUntil),
    facts: t.facts,
    lines: (lines.get(t.jobId) ?? []).map(asLine),
    rodNut: (lines.get(t.jobId) ?? [])[0]?.rodNut ?? null,
    findings: (found.get(t.jobId) ?? []).map((f) => f.found),
    wanted: [],
    ...saidOf(said.get(t.jobId), (lines.get(t.jobId) ?? [])[0]?.strings),
    parts: parts.get(t.jobId) ?? [],
  }));
}

/** The places with what rests in them, and where every step stood in the plan before. */
function placesOf(rows: Rows, jobs: readonly JobToPlan[], rules: WeekRules, from: number) {
  const { shop, planned } = rows;
  const places = spotsOf(rules, rows.places, from, shop.info.zone);
  const resting = jobs
    .filter((j) => j.waitingFor !== 'home')
    .map((j) => ({
      ...j,
      resting: restingOf(j.lines, shop.catalogue, from),
      waitingNote: rows.tags.find((t) => t.jobId === j.id)?.waitingNote ?? '',
    }));
  const taken = takenBy(resting, places, new Map(planned.map((p) => [p.step, p.spot])));
  const isTaken = new Set(taken.map((t) => t.step));
  // Where something rests is kept with its plan until it has rested; it is no step of it any more.
  const before: ShopWork['before'] = Object.fromEntries(
    planned
      .filter((p) => !isTaken.has(p.step))
      .map((p) => [
        p.step,
        { worker: p.personId, spot: p.spot, start: Math.round((p.startsAt.getTime() - from) / MINUTE) },
      ]),
  );
  return { spots: withTaken(places, taken, from), resting: restsWithPlaces(resting, taken, from), before };
}

/** How this shop’s customers answered: what went beyond a plain setup apart. */
function answeredOf({ times, shop }: Rows): Answered[] {
  const plain = new Set<string>(shop.catalogue.filter((o) => o.plain).map((o) => o.id));
  return times.answered.map(({ operations, minutes }) => ({
    beyond: operations.some((o) => !plain.has(o)),
    minutes,
  }));
}

/** Reads all that is planned, and by what, as it stands now. */
export async function readWork(db: Database, now: Date = new Date()): Promise<WeekWork> {
  const rows = await readRows(db, now);
  const { shop } = rows;
  const { zone } = shop.info;
  const from = Math.floor(now.getTime() / GRAIN_MS) * GRAIN_MS;
  const rules = weekRulesSchema.parse(shop.settings.find((s) => s.name === 'week')?.value ?? {});
  const today = dayIn(now.getTime(), zone);
  const [away, extra] = await Promise.all([loadAway(db, today), loadExtraHours(db, today)]);
  const puts = new Map(
    rows.puts.map((p) => [
      p.step,
      { worker: p.personId, at: p.startsAt?.getTime() ?? null, minutes: p.minutes, version: p.version ?? 1 },
    ]),
  );
  const workers = rows.people.filter((p) => may(p.role, 'work'));
  const skillOf = (p: (typeof workers)[number]): number => LEVEL[(p.skill as Skill | undefined) ?? 'setup'];
  const day: PlanningDay = {
    from,
    zone,
    closes: (d) => closesOn(shop.opening, d),
    catalogue: shop.catalogue,
    measured: rows.times.measured,
    past: rows.times.past,
    answers: answersHere(answeredOf(rows)),
    puts,
    workers: new Set(workers.map((p) => p.id)),
    best: Math.max(0, ...workers.map(skillOf)),
  };
  const jobs = jobsToPlan(rows);
  const { spots, resting, before } = placesOf(rows, jobs, rules, from);
  const work: ShopWork = {
    workers: workers.map((p) => ({
      id: p.id,
      name: p.name,
      skill: skillOf(p),
      calendar: workingTime({ id: p.id, hours: p.hours ?? null }, shop.opening, { away, extra }, from, zone),
    })),
    spots,
    jobs: jobs.map((j) => jobToPlan(j, day)),
    before,
    weights: rules.weights,
  };
  const initials = new Map(rows.people.map((p) => [p.id, p.initials]));
  return {
    from,
    shop,
    rules,
    tags: rows.tags,
    away,
    extra,
    puts,
    resting,
    initials,
    day,
    work,
  };
}
