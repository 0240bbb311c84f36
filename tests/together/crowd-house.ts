/** What a crowd works on, and what must be true of it whatever happened. */
import { randomUUID } from 'node:crypto';
import { QueryTypes } from 'sequelize';
import type { OperationId } from '../../src/core/catalogue/operation-ids.ts';
import { operation } from '../../src/core/catalogue/operations.ts';
import { replay } from '../../src/core/history/replay.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import { stationKey } from '../../src/core/readings/stations.ts';
import { after, freeOf, NOTHING } from '../../src/core/stock/ledger.ts';
import { waitsOf } from '../../src/core/work/waits.ts';
import type { Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import type { Actor } from '../../src/server/use-case/use-case.ts';
import type { CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';
import type { CrowdJob, Person } from './crowd.ts';

const JOBS = 10;

/** A steel-string that comes in with everything to be done, as the counter writes it down. */
export function visit(
  serial: string,
  { name, email }: { readonly name: string; readonly email: string },
): CommandInput<'desk.take-in'> {
  const usual = usualConstruction('steel-acoustic');
  return {
    customer: { name, phone: '', email },
    instrument: {
      maker: '',
      model: 'Crowd',
      year: '',
      serial,
      construction: { ...usual, strings: [...usual.strings] },
    },
    complaint: 'everything',
    touch: 'medium',
    plays: '',
    wish: '',
    neededBy: null,
    hardDate: false,
    hardReason: '',
    limitMinor: null,
    stringsState: 'at-pitch',
    cameWith: [],
    placeId: null,
  };
}

export async function takeJobs(
  db: Database,
  actor: Actor,
  many = JOBS,
  operations: readonly OperationId[] = ['clean-body', 'tighten', 'crack-glue', 'rod'],
): Promise<CrowdJob[]> {
  const give = async (name: Parameters<typeof execute>[2], input: unknown) => {
    const done = await execute(db, actor, name, input, randomUUID());
    if (!done.ok) throw new Error(`${name}: ${JSON.stringify(done.error)}`);
    return done.value as { number: number; jobId: number };
  };
  const made: CrowdJob[] = [];
  for (let n = 0; n < many; n++) {
    const { number, jobId } = await give(
      'desk.take-in',
      visit(`CR-${many}-${n}`, { name: `Owner ${n}`, email: `owner${n}@example.org` }),
    );
    for (const op of operations) await give('plan.add', { jobId, operation: op, detail: '' });
    const lines = await db.models.WorkLine.findAll({ where: { jobId } });
    for (const l of lines)
      await give('work.answer', { lineId: l.id, version: 0, answer: 'yes', by: 'Owner', how: 'in writing' });
    const job = await loadJob(db, number);
    made.push({
      id: jobId,
      version: 0,
      items: job?.inspection.items.slice(0, 12).map((i) => i.key) ?? [],
      places: job?.readings.stations.filter((s) => s.quantity === 'action') ?? [],
      lines: lines.map((l) => l.id),
    });
  }
  return made;
}

/** Ten things on the shelves, three of each. */
export async function fillShelves(db: Database, actor: Actor): Promise<number[]> {
  const shelves: number[] = [];
  for (let n = 0; n < 10; n++) {
    const row = { sort: 'own', name: `Thing ${n}`, facts: {}, place: '', supplier: '', code: '' } as const;
    const rest = {
      itemId: null,
      version: 0,
      least: 0,
      usual: 0,
      cost: null,
      price: null,
      tax: null,
      retired: false,
    };
    const kept = await execute(db, actor, 'stores.save-item', { ...row, ...rest }, randomUUID());
    if (!kept.ok) throw new Error(JSON.stringify(kept.error));
    const { itemId } = kept.value;
    const came = { itemId, kind: 'received', quantity: 3, jobId: null, lineId: null, reason: '' } as const;
    await execute(db, actor, 'stores.move', came, randomUUID());
    shelves.push(itemId);
  }
  return shelves;
}

/** What is kept is what the log says happened, in whichever database. */
export async function logTellsState({ models }: Database): Promise<void> {
  const log = await models.EventRow.findAll({ order: [['id', 'ASC']] });
  const said = replay(
    log.map(({ kind, entity, entityId, data, jobId }) => ({ kind, entity, entityId, data, jobId })),
  );
  const inspections = await models.Inspection.findAll();
  const answers = await models.InspectionAnswer.findAll();
  const kept = new Map(
    answers.map((a) => [
      `${inspections.find((i) => i.id === a.inspectionId)?.jobId ?? 0}:${a.item}`,
      { answer: a.answer, note: a.note },
    ]),
  );
  expect(kept).toEqual(said.answers);
  const rounds = await models.Round.findAll();
  const readings = new Map(
    (await models.ReadingRow.findAll()).map((r) => {
      const round = rounds.find((x) => x.id === r.roundId);
      return [
        `${round?.jobId ?? 0}:${round?.kind ?? ''}:${stationKey(r.quantity, r.stringNo, r.fret)}`,
        r.typed,
      ];
    }),
  );
  expect(readings).toEqual(said.readings);
  const remarks = await models.Remark.findAll();
  expect(new Map(remarks.map((r) => [String(r.id), { words: r.words, answer: r.answer }]))).toEqual(
    said.remarks,
  );

  // Clocks: a step runs exactly while somebody's clock does, and nobody has two.
  const lines = await models.WorkLine.findAll();
  const open = await models.TimeEntry.findAll({ where: { endedAt: null } });
  for (const l of lines) {
    expect([l.id, said.steps.get(String(l.id)) ?? 'ready']).toEqual([l.id, l.step]);
    expect([l.id, l.step === 'running']).toEqual([l.id, open.some((e) => e.lineId === l.id)]);
  }
  expect(new Set(open.map((e) => e.personId)).size).toBe(open.length);
}

/** The ledger of every thing says what stands on its shelf, nothing is under nothing, nothing is set aside twice. */
export async function shelvesHold({ models }: Database): Promise<number> {
  const moves = await models.StockMoveRow.findAll({ order: [['id', 'ASC']] });
  const asides = await models.StockAside.findAll({ order: [['jobId', 'ASC']] });
  for (const item of await models.StockItem.findAll()) {
    const own = moves.filter((m) => m.itemId === item.id);
    let level = NOTHING;
    for (const m of own) {
      const next = after(level, { kind: m.kind, quantity: Number(m.quantity), job: m.jobId });
      if (!next.ok) throw new Error(`the ledger of ${item.name} holds what could not happen: ${m.kind}`);
      level = next.value;
      expect(Number(m.onHand)).toBe(level.onHand);
    }
    expect([item.name, Number(item.onHand)]).toEqual([item.name, level.onHand]);
    const kept = asides.filter((a) => a.itemId === item.id).map((a) => [a.jobId, Number(a.quantity)]);
    expect(kept).toEqual([...level.aside].sort((a, b) => a[0] - b[0]));
    expect(freeOf(level)).toBeGreaterThanOrEqual(0);
  }
  return moves.length;
}

/** Of commands that write several things: the one that each of them writes once. */
const MAIN: Readonly<Partial<Record<CommandName, string>>> = {
  'desk.take-in': 'job taken in',
  'hand-over.sign': 'signed',
};

/** What must be true of the house whatever happened. */
export async function holdsTogether(db: Database, crowd: readonly Person[]): Promise<number> {
  const { models, sequelize } = db;
  const log = await models.EventRow.findAll({ order: [['id', 'ASC']] });
  const byCommand = new Map<string, string[]>();
  for (const e of log)
    if (e.commandId !== null) byCommand.set(e.commandId, [...(byCommand.get(e.commandId) ?? []), e.kind]);
  const acknowledged = crowd.flatMap((p) => p.acknowledged);
  const lost = acknowledged.filter((a) => {
    const main = MAIN[a.name];
    const own = (byCommand.get(a.id) ?? []).filter((kind) =>
      main === undefined ? kind !== 'step interrupted' : kind === main,
    );
    return own.length !== 1;
  });
  expect(lost).toEqual([]);
  // Nothing else happened: every command in the log was acknowledged, or is the one somebody still waits for.
  const known = new Set([...acknowledged.map((a) => a.id), ...crowd.map((p) => p.open)]);
  const crowdIds = new Set(
    (await models.Person.findAll()).filter((p) => p.name.startsWith('Hand')).map((p) => p.id),
  );
  // A photo is no command: who sent which is compared apart.
  const strangers = log.filter(
    (e) => crowdIds.has(e.personId ?? 0) && e.kind !== 'photo added' && !known.has(e.commandId),
  );
  expect(strangers.map((e) => e.kind)).toEqual([]);

  await logTellsState(db);
  expect(await shelvesHold(db)).toBeGreaterThan(10);
  const overlaps = await sequelize.query(
    `SELECT a.id FROM time_entries a JOIN time_entries b ON a.person_id = b.person_id AND a.id < b.id
     AND a.started_at < COALESCE(b.ended_at, NOW(3)) AND b.started_at < COALESCE(a.ended_at, NOW(3))`,
    { type: QueryTypes.SELECT },
  );
  expect(overlaps).toEqual([]);
  const lines = await models.WorkLine.findAll();
  // Rests: what hangs under Time rests until the end its finished steps say.
  for (const job of await models.Job.findAll()) {
    if (job.waitingUntil === null) continue;
    const own = lines.filter((l) => l.jobId === job.id && l.step === 'finished');
    const [rest = null] = waitsOf(
      own.map((l) => ({
        lineId: l.id,
        title: l.title,
        finishedAt: l.finishedAt?.getTime() ?? null,
        wait: operation(l.operation).wait,
      })),
    );
    expect([job.id, job.waitingUntil.getTime()]).toEqual([job.id, rest?.until]);
  }
  return acknowledged.length;
}
