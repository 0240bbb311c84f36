import { createHash } from 'node:crypto';
import { invalidField } from '../../contracts/failure.ts';
import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import { needsStrings, notRepresentative } from '../../core/readings/conditions.ts';
import { isOtherTuning } from '../../core/strings/hear-tuning.ts';
import { readEntry, withUnits, type EntryReading } from '../../core/readings/entry.ts';
import { isOverdue, uncertainty } from '../../core/readings/gauge.ts';
import { methodWords, METHODS } from '../../core/readings/methods.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { allStations, stationKey } from '../../core/readings/stations.ts';
import { ok } from '../../core/result.ts';
import { buzzOf } from '../../core/sound/buzz.ts';
import { hear } from '../../core/sound/hear.ts';
import { smallSound } from '../../core/sound/small-sound.ts';
import { readWav, writeWav, type Sound } from '../../core/sound/wav.ts';
import { LENGTH_UNITS, type LengthUnit } from '../../core/units/length-units.ts';
import { airSpan } from '../air/house-air.ts';
import type { AirHour } from '../db/models/air.ts';
import type { ReadingRow, Round } from '../db/models/readings.ts';
import { recordEvent } from '../use-case/record-event.ts';
import { readTogether } from '../db/read-together.ts';
import { updateRow } from '../db/update-row.ts';
import type { Job } from '../db/models/jobs.ts';
import { readShop } from '../house/read-shop.ts';
import type { ShopHabits } from '../../contracts/habits.ts';
import { countLater } from '../jobs/job-facts.ts';
import { openJob } from '../jobs/open-job.ts';
import { conflict } from '../use-case/conflict.ts';
import { keepResults } from '../plan/keep-results.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';
import { readAfterTurn } from './after-turn.ts';
import { openRound } from './open-round.ts';

/** The gauge of what was heard, and how wide an even spread is that has a standard deviation of one. */
const EAR = 'ear';
const EVEN = Math.sqrt(12);
const MOST_SECONDS = 3;

type Save = CommandInput<'readings.save'>;
type Shop = Awaited<ReturnType<typeof readShop>>;

/** Which gauge a reading was taken with: the one said, the round's, or the shop's for the quantity; what ships where it has none. */
function gaugeOf({ now }: Work, input: Save, round: Round, { gauges, habits }: Shop) {
  const { quantity, heard } = input;
  if (heard !== undefined) return { name: EAR, resolution: EVEN * heard, zeroOffset: 0, overdue: false };
  const id = input.gaugeId ?? round.gauges?.[quantity] ?? habits.gauges[quantity];
  const gauge = gauges.find((g) => g.id === id);
  const facts = QUANTITY_FACTS[input.quantity];
  if (!gauge) return { name: facts.gauge, resolution: facts.tells, zeroOffset: 0, overdue: false };
  return { ...gauge, overdue: isOverdue(gauge, now.getTime()) };
}

const methodIdOf = (input: Save, round: Round, habits: ShopHabits): string | null =>
  input.quantity in METHODS
    ? (round.methods ?? habits.methods)[input.quantity as keyof typeof METHODS]
    : null;

/** What was typed; with its units written out where they are not all the one that is kept beside it. */
function keptText(input: Save, { value, unit }: EntryReading): string {
  const own = (LENGTH_UNITS as readonly string[]).includes(unit) ? (unit as LengthUnit) : input.unit;
  const again = readEntry(input.typed, input.quantity, own);
  const same = again.ok && Math.abs(again.value.value - value) < 1e-9;
  return same ? input.typed : withUnits(input.typed, input.quantity, input.unit);
}

interface KeptPluck {
  readonly soundId: number | null;
  readonly buzz: string | null;
}
const NO_PLUCK: KeptPluck = { soundId: null, buzz: null };

/** How much a pluck buzzes, 0 to 1; null where that can't be told. */
function buzzIn(sound: Sound): string | null {
  const { hz, inharmonicity } = hear(sound);
  const buzz = hz === null || inharmonicity === null ? null : buzzOf(sound, { hz, inharmonicity });
  return buzz && buzz.amount.toFixed(3);
}

/** Keeps the sound a reading was heard in, read and written anew: nothing else can hide in it. Null where it is none. */
async function keepSound({ models, actor, now, t }: Work, { jobId, sound }: Save): Promise<KeptPluck | null> {
  const read = readWav(Buffer.from(sound ?? '', 'base64'));
  if (!read.ok || read.value.samples.length > MOST_SECONDS * read.value.rate) return null;
  const bytes = Buffer.from(writeWav(smallSound(read.value)));
  const digest = createHash('sha256').update(bytes).digest('hex');
  const kept = await models.KeptSound.create(
    { jobId, bytes, digest, keptBy: actor.personId, keptAt: now },
    { transaction: t },
  );
  return { soundId: kept.id, buzz: buzzIn(read.value) };
}

/** Why it cannot stand for the instrument as it is played, or null. */
function whyNotUsed(round: Round, { quantity }: Save, { strings, perCourse }: Construction): string | null {
  const why = notRepresentative(round, quantity);
  if (why !== null || !needsStrings(quantity)) return why;
  return isOtherTuning(round.tuning, strings, perCourse) ? `taken in another tuning, ${round.tuning}` : null;
}

interface Known {
  readonly round: Round;
  readonly construction: Construction;
  readonly shop: Shop;
}

function values(work: Work, input: Save, read: EntryReading, { round, construction, shop }: Known) {
  const { habits } = shop;
  const gauge = gaugeOf(work, input, round, shop);
  return {
    value: (read.value - gauge.zeroOffset).toFixed(9),
    typed: keptText(input, read),
    unit: read.unit,
    method: methodWords(input.quantity, round.methods ?? habits.methods),
    methodId: methodIdOf(input, round, habits),
    gauge: gauge.name,
    uncertainty: uncertainty(gauge.resolution, gauge.overdue, read.spread).toFixed(9),
    copiedFrom: null,
    strings: round.strings,
    position: round.position,
    notRepresentative: whyNotUsed(round, input, construction),
    takenBy: work.actor.personId,
    takenAt: work.now,
    version:
      Math.max(input.version, round.takenBack?.[stationKey(input.quantity, input.string, input.fret)] ?? 0) +
      1,
  };
}

const shown = (r: ReadingRow) => ({
  typed: r.typed,
  value: r.value,
  unit: r.unit,
  takenBy: r.takenBy,
  takenAt: r.takenAt,
});

/**
 * What stands where a reading is saved, in one statement: the job's lock, taken before, keeps every other writer of it away.
 * The round is missing where it is first read in, the reading where nothing stood.
 */
async function standing({ models, t, now }: Work, job: Job, { quantity, string, fret, round: kind }: Save) {
  const { sequelize } = models.Job;
  if (!sequelize) throw new Error('these models belong to no connection');
  const ofRound = 'round_id IN (SELECT id FROM rounds WHERE job_id = :job AND kind = :kind)';
  const {
    instrument: [instrument],
    round: [round],
    known: [known],
    turn: [turn = null],
    air,
  } = await readTogether(
    sequelize,
    {
      instrument: { model: models.Instrument, where: 'id = :instrument' },
      round: { model: models.Round, where: 'job_id = :job AND kind = :kind' },
      known: {
        model: models.ReadingRow,
        where: `${ofRound} AND quantity = :quantity AND string_no = :string AND fret = :fret`,
      },
      turn: {
        model: models.RodTurn,
        where: 'id = (SELECT MAX(id) FROM rod_turns WHERE job_id = :job)',
      },
      air: { model: models.AirHour, where: 'at BETWEEN :since AND :now', order: ['at'] },
    } as const,
    { job: job.id, instrument: job.instrumentId, kind, quantity, string, fret, ...airSpan(now) },
    t,
  );
  return { instrument, round, known, turn, air: air.at(-1) ?? null };
}

/** A round that began before anybody read in it has the air of its first reading, until somebody says what it is. */
async function sayAir({ t }: Work, round: Round, { temperature, humidity }: AirHour): Promise<void> {
  if (round.version > 0 || round.humidity !== null) return;
  await round.update({ temperature, humidity, version: 1 }, { transaction: t });
}

/**
 * Keeps one reading of a round: the typed text, what it means, its gauge with what that can tell, and the conditions it
 * was taken under. A colleague's reading of the same place is never silently replaced: both values come back.
 */
export const saveReading = defineUseCase({
  name: 'readings.save',
  run: async (work, input) => {
    const { models, t } = work;
    const opened = await openJob(work, input.jobId);
    if (!opened.ok) return opened;
    const [shop, { instrument, round: begun, known, turn, air }] = await Promise.all([
      readShop(models, t),
      standing(work, opened.value, input),
    ]);
    const key = stationKey(input.quantity, input.string, input.fret);
    if (!instrument || !allStations(instrument.construction).some((s) => s.key === key)) {
      return { ok: false, error: invalidField('quantity', 'This instrument is not read at that place.') };
    }
    const read = readEntry(input.typed, input.quantity, input.unit, shop.habits.feelings);
    if (!read.ok) return { ok: false, error: invalidField('typed', read.error.message) };
    if (input.heard !== undefined && read.value.unit !== 'cents')
      return { ok: false, error: invalidField('heard', 'Only a pitch is read by ear.') };
    const hasSound = input.sound !== undefined;
    const pluck = hasSound && input.heard !== undefined ? await keepSound(work, input) : NO_PLUCK;
    if (pluck === null || (hasSound && pluck === NO_PLUCK))
      return { ok: false, error: invalidField('sound', 'That is no sound of a pluck that was heard.') };
    const round = begun ?? (await openRound(work, opened.value, input.round));
    if (begun && air) await sayAir(work, begun, air);
    const where = { roundId: round.id, quantity: input.quantity, stringNo: input.string, fret: input.fret };
    if ((known?.version ?? 0) !== input.version) {
      return conflict(work, known?.takenBy ?? null, known?.typed ?? 'nothing', known?.version ?? 0);
    }
    const before = known ? shown(known) : null;
    const kept = {
      ...values(work, input, read.value, { round, construction: instrument.construction, shop }),
      ...pluck,
    };
    const replaced = known?.soundId ?? null;
    if (known) await updateRow(known, kept, t);
    else await models.ReadingRow.create({ ...where, ...kept }, { transaction: t });
    // A pluck goes with the reading it was kept with.
    if (replaced !== null) await models.KeptSound.destroy({ where: { id: replaced }, transaction: t });
    if (input.quantity === 'relief' && kept.notRepresentative === null)
      await readAfterTurn(work, opened.value, instrument.construction, turn, before?.value ?? null);
    if (input.round === 'as-left') await keepResults(work, opened.value);
    await countLater(work, opened.value);
    await recordEvent(work, {
      jobId: input.jobId,
      kind: 'reading taken',
      entity: 'reading',
      entityId: `${input.round}:${key}`,
      fromVersion: input.version,
      data: { before, after: { typed: kept.typed, value: kept.value, unit: kept.unit } },
    });
    return ok({
      version: kept.version,
      value: Number(kept.value),
      notRepresentative: kept.notRepresentative,
    });
  },
});
