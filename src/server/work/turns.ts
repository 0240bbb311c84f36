import { invalidField, refuse } from '../../contracts/failure.ts';
import { judge, type Judged } from '../../core/job/judge.ts';
import { readEntry, type EntryReading } from '../../core/readings/entry.ts';
import { RELIEF_FRET, stationKey } from '../../core/readings/stations.ts';
import { unitSlip } from '../../core/readings/unit-slip.ts';
import { BARE } from '../../core/units/bare-unit.ts';
import { expectedAfter } from '../../core/neck/truss-rod.ts';
import { fail, ok } from '../../core/result.ts';
import type { Job } from '../db/models/jobs.ts';
import { readJob } from '../jobs/read-job.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { currentAfterRound } from '../readings/open-round.ts';
import { saveReading } from '../readings/save-reading.ts';
import { conflict } from '../use-case/conflict.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

const RELIEF = stationKey('relief', 0, RELIEF_FRET);
/** No turn moves a neck by more than this, mm: what says so was typed in another unit. */
const MOST_MOVED = 1.5;

interface After {
  readonly typed: string;
  readonly unit: Parameters<typeof readEntry>[2];
}

/** Keeps what the relief reads after a turn as a reading of the round that is read in now. */
async function keepReading(work: Work, job: Job, { typed, unit }: After) {
  const round = await currentAfterRound(work, job);
  const row = await work.models.Round.findOne({ where: { jobId: job.id, kind: round }, transaction: work.t });
  const place = { quantity: 'relief', stringNo: 0, fret: RELIEF_FRET } as const;
  const known = row
    ? await work.models.ReadingRow.findOne({ where: { roundId: row.id, ...place }, transaction: work.t })
    : null;
  return saveReading.run(work, {
    jobId: job.id,
    round,
    quantity: 'relief',
    string: 0,
    fret: RELIEF_FRET,
    typed,
    unit,
    version: known?.version ?? 0,
  });
}

/** What would be asked of a bare number that looks like another unit here; null where a unit is said or nothing speaks for a slip. */
function slipOf(g: Judged, entry: EntryReading, typed: string, before: number | null): string | null {
  const station = g.planInput.stations.find((s) => s.key === RELIEF);
  if (!station || !BARE.test(typed)) return null;
  const yardstick = { aim: g.targets.get(RELIEF)?.aim, before: before ?? undefined, step: undefined };
  return unitSlip(entry, station, typed, yardstick)?.message ?? null;
}

/** Eighths that were turned since the relief was last read after a turn. */
const unread = (turns: readonly { readonly eighths: number; readonly after: number | null }[]): number =>
  turns
    .slice(turns.findLastIndex((turn) => turn.after !== null) + 1)
    .reduce((sum, turn) => sum + turn.eighths, 0);

/**
 * Logs a turn of the rod where it is made, with what the relief reads now. The reading is kept too; the next turn is worked out
 * from what the instrument has answered so far.
 */
export const logTurn = defineUseCase({
  name: 'work.turn',
  run: async (work, { lineId, eighths, after, unit }) => {
    const { models, t, actor, now } = work;
    const line = await models.WorkLine.findByPk(lineId, { transaction: t });
    if (!line) return fail({ code: 'not-found', message: 'This line is not on the work order any more.' });
    const opened = await openJob(work, line.jobId);
    if (!opened.ok) return opened;
    if (line.operation !== 'rod') return fail(refuse('Only the rod is turned here.'));
    if (line.step !== 'running' && line.step !== 'paused') return fail(refuse('Start the step first.'));
    const known = await readJob(models, opened.value, [], t);
    const g = judge(known);
    const before = g.latest.get(RELIEF)?.value ?? null;
    const typed = after.trim();
    const read = typed === '' ? null : readEntry(typed, 'relief', unit);
    if (read && !read.ok) return fail(invalidField('after', read.error.message));
    const value = read?.ok ? read.value.value : null;
    const slip = read?.ok ? slipOf(g, read.value, typed, before) : null;
    if (slip !== null) return fail(invalidField('after', `${slip} Say it with its unit.`));
    if (value !== null && before !== null && Math.abs(value - before) > MOST_MOVED)
      return fail(
        invalidField('after', `That is ${value.toFixed(2)} mm: no turn moves a neck so far. Which unit?`),
      );
    const turn = await models.RodTurn.create(
      {
        jobId: line.jobId,
        lineId,
        eighths: eighths.toFixed(1),
        reliefBefore: before === null ? null : before.toFixed(9),
        expected:
          before === null
            ? null
            : expectedAfter(
                before,
                eighths + unread(known.turns),
                g.plannedFor.turns ?? [],
                g.planInput.settings.rodPrior,
              ).toFixed(9),
        typed,
        turnedBy: actor.personId,
        // It was turned before it was read.
        turnedAt: new Date(now.getTime() - 1),
      },
      { transaction: t },
    );
    if (typed !== '') {
      const kept = await keepReading(work, opened.value, { typed, unit });
      if (!kept.ok) return kept;
    }
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: line.jobId,
      kind: 'rod turned',
      entity: 'rod turn',
      entityId: turn.id,
      fromVersion: null,
      data: { eighths, before, after: value },
    });
    return ok({ turnId: turn.id });
  },
});

/** Takes back a turn that was logged by mistake. What was read stays: it was read. */
export const takeBackTurn = defineUseCase({
  name: 'work.take-back-turn',
  run: async (work, { turnId, version }) => {
    const { models, t } = work;
    const found = await models.RodTurn.findByPk(turnId, { transaction: t });
    if (!found) return fail({ code: 'not-found', message: 'This turn is not logged any more.' });
    const opened = await openJob(work, found.jobId);
    if (!opened.ok) return opened;
    if (found.version !== version) return conflict(work, found.turnedBy, found.eighths, found.version);
    await found.destroy({ transaction: t });
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: found.jobId,
      kind: 'rod turn taken back',
      entity: 'rod turn',
      entityId: turnId,
      fromVersion: version,
      data: { eighths: Number(found.eighths), before: found.reliefBefore, after: found.reliefAfter },
    });
    return ok({ turnId });
  },
});
