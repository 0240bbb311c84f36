import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { End } from '../../../core/hand-over/ends.ts';
import type { SignedInstrument, Withdrawn } from '../../../core/job/job.ts';
import type { KeptOperation } from '../../../core/catalogue/operations.ts';
import type { OperationId } from '../../../core/catalogue/operation-ids.ts';
import type { CutPlace } from '../../../core/work/cuts.ts';
import type { ProposalLine } from '../../../core/plan/proposal.ts';

export class Decision extends Model<InferAttributes<Decision>, InferCreationAttributes<Decision>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare line: string;
  declare decision: 'accepted' | 'changed' | 'declined';
  declare changeText: CreationOptional<string>;
  declare reason: CreationOptional<string>;
  declare proposed: ProposalLine;
  /** the operation that is done instead of the one proposed */
  declare instead: CreationOptional<OperationId | null>;
  declare decidedBy: number;
  declare decidedAt: Date;
  declare version: CreationOptional<number>;
}

export class WorkLine extends Model<InferAttributes<WorkLine>, InferCreationAttributes<WorkLine>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare decisionId: CreationOptional<number | null>;
  declare operation: OperationId;
  declare title: string;
  declare detail: string;
  declare sort: number;
  declare minutes: number;
  declare priceMinor: number;
  declare partsMinor: number;
  /** its own rates of tax; null for the shop’s usual ones */
  declare tax: CreationOptional<string | null>;
  declare partsTax: CreationOptional<string | null>;
  /** why its price is not the catalogue’s */
  declare priceReason: CreationOptional<string>;
  declare approval: CreationOptional<'asked' | 'yes' | 'no'>;
  declare approvedBy: CreationOptional<string>;
  declare approvedHow: CreationOptional<string>;
  declare approvedAt: CreationOptional<Date | null>;
  declare step: CreationOptional<'ready' | 'running' | 'paused' | 'finished'>;
  declare finishedAt: CreationOptional<Date | null>;
  declare finishedBy: CreationOptional<number | null>;
  /** what was found while inside; null for a line of the plan */
  declare found: CreationOptional<string | null>;
  /** the line that stands still until this one is answered */
  declare stops: CreationOptional<number | null>;
  declare askedBy: CreationOptional<number | null>;
  declare askedAt: CreationOptional<Date | null>;
  /** since when it stands before the customer as it does */
  declare offeredAt: CreationOptional<Date | null>;
  /** the operation as it was agreed */
  declare record: CreationOptional<KeptOperation | null>;
  declare version: CreationOptional<number>;
}

export class TimeEntry extends Model<InferAttributes<TimeEntry>, InferCreationAttributes<TimeEntry>> {
  declare id: CreationOptional<number>;
  declare lineId: number;
  declare personId: number;
  declare startedAt: Date;
  declare endedAt: CreationOptional<Date | null>;
  declare correctedBy: CreationOptional<number | null>;
  /** why its end was put right by hand */
  declare correction: CreationOptional<string>;
}

export class HandOver extends Model<InferAttributes<HandOver>, InferCreationAttributes<HandOver>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare checks: Record<string, boolean>;
  declare exceptionText: CreationOptional<string>;
  declare checkedBy: CreationOptional<number | null>;
  declare checkedAt: CreationOptional<Date | null>;
  declare signer: CreationOptional<string>;
  declare signature: CreationOptional<string | null>;
  declare signedAt: CreationOptional<Date | null>;
  declare record: CreationOptional<string | null>;
  /** whom and what the signature was given for, as it was then */
  declare subject: CreationOptional<{
    readonly customer: string;
    readonly instrument: SignedInstrument;
    /** for a job that came from another house: its number and its lines' numbers there, as they were sealed */
    readonly number?: number;
    readonly lines?: readonly number[];
  } | null>;
  declare digest: CreationOptional<string | null>;
  /** the second person's check, where one is asked for */
  declare secondBy: CreationOptional<number | null>;
  declare secondAt: CreationOptional<Date | null>;
  declare advice: CreationOptional<string | null>;
  declare nextCheck: CreationOptional<string | null>;
  /** the customer's sheet exactly as it was shown for the signature, written canonically */
  declare shown: CreationOptional<string | null>;
  /** how the job ends, as somebody said */
  declare ending: CreationOptional<End>;
  declare endingNote: CreationOptional<string>;
  /** for a job that ended without a signature */
  declare endedAt: CreationOptional<Date | null>;
  declare endedBy: CreationOptional<number | null>;
  /** names that were withdrawn from what was signed, and what the record without them gives */
  declare withdrawn: CreationOptional<Withdrawn | null>;
  declare keptDigest: CreationOptional<string | null>;
  declare version: CreationOptional<number>;
}

/** One turn of a truss rod, logged where it was made. Eighths of a turn, tightening positive; relief in mm. */
export class RodTurn extends Model<InferAttributes<RodTurn>, InferCreationAttributes<RodTurn>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare lineId: number | null;
  declare eighths: string;
  declare reliefBefore: string | null;
  /** null for a turn that was made blind and not read yet */
  declare reliefAfter: string | null;
  /** what it was expected to read after it; null where that was not kept */
  declare expected: CreationOptional<string | null>;
  declare typed: CreationOptional<string>;
  declare turnedBy: number;
  declare turnedAt: Date;
  declare version: CreationOptional<number>;
}

/** One cut of a saddle or a nut slot as it was made: what was meant and what came off, mm. */
export class CutRow extends Model<InferAttributes<CutRow>, InferCreationAttributes<CutRow>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare lineId: number | null;
  declare operation: OperationId;
  declare place: CutPlace;
  declare meant: string;
  declare took: string;
  declare typed: CreationOptional<string>;
  declare madeBy: number;
  declare madeAt: Date;
  declare version: CreationOptional<number>;
}

const decisionColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  line: { type: DataTypes.STRING(60) },
  decision: { type: DataTypes.ENUM('accepted', 'changed', 'declined') },
  changeText: { type: DataTypes.STRING(400), field: 'change_text', defaultValue: '' },
  reason: { type: DataTypes.STRING(400), defaultValue: '' },
  proposed: { type: DataTypes.JSON },
  instead: { type: DataTypes.STRING(40), defaultValue: null },
  decidedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'decided_by' },
  decidedAt: { type: DataTypes.DATE(3), field: 'decided_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const rodTurnColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  lineId: { type: DataTypes.INTEGER.UNSIGNED, field: 'line_id', defaultValue: null },
  eighths: { type: DataTypes.DECIMAL(4, 1) },
  reliefBefore: { type: DataTypes.DECIMAL(12, 9), field: 'relief_before', defaultValue: null },
  reliefAfter: { type: DataTypes.DECIMAL(12, 9), field: 'relief_after', defaultValue: null },
  expected: { type: DataTypes.DECIMAL(12, 9), defaultValue: null },
  typed: { type: DataTypes.STRING(160), defaultValue: '' },
  turnedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'turned_by' },
  turnedAt: { type: DataTypes.DATE(3), field: 'turned_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const cutColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  lineId: { type: DataTypes.INTEGER.UNSIGNED, field: 'line_id', defaultValue: null },
  operation: { type: DataTypes.STRING(40) },
  place: { type: DataTypes.STRING(20) },
  meant: { type: DataTypes.DECIMAL(12, 9) },
  took: { type: DataTypes.DECIMAL(12, 9) },
  typed: { type: DataTypes.STRING(160), defaultValue: '' },
  madeBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'made_by' },
  madeAt: { type: DataTypes.DATE(3), field: 'made_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const workLineColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  decisionId: { type: DataTypes.INTEGER.UNSIGNED, field: 'decision_id', defaultValue: null },
  record: { type: DataTypes.JSON, defaultValue: null },
  operation: { type: DataTypes.STRING(40) },
  title: { type: DataTypes.STRING(160) },
  detail: { type: DataTypes.TEXT },
  sort: { type: DataTypes.INTEGER },
  minutes: { type: DataTypes.INTEGER.UNSIGNED },
  priceMinor: { type: DataTypes.INTEGER, field: 'price_minor' },
  partsMinor: { type: DataTypes.INTEGER, field: 'parts_minor' },
  tax: { type: DataTypes.STRING(20), defaultValue: null },
  partsTax: { type: DataTypes.STRING(20), field: 'parts_tax', defaultValue: null },
  priceReason: { type: DataTypes.STRING(200), field: 'price_reason', defaultValue: '' },
  approval: { type: DataTypes.ENUM('asked', 'yes', 'no'), defaultValue: 'asked' },
  approvedBy: { type: DataTypes.STRING(120), field: 'approved_by', defaultValue: '' },
  approvedHow: { type: DataTypes.STRING(40), field: 'approved_how', defaultValue: '' },
  approvedAt: { type: DataTypes.DATE(3), field: 'approved_at', defaultValue: null },
  step: { type: DataTypes.ENUM('ready', 'running', 'paused', 'finished'), defaultValue: 'ready' },
  finishedAt: { type: DataTypes.DATE(3), field: 'finished_at', defaultValue: null },
  finishedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'finished_by', defaultValue: null },
  found: { type: DataTypes.TEXT, defaultValue: null },
  stops: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: null },
  askedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'asked_by', defaultValue: null },
  askedAt: { type: DataTypes.DATE(3), field: 'asked_at', defaultValue: null },
  offeredAt: { type: DataTypes.DATE(3), field: 'offered_at', defaultValue: null },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const timeEntryColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  lineId: { type: DataTypes.INTEGER.UNSIGNED, field: 'line_id' },
  personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
  startedAt: { type: DataTypes.DATE(3), field: 'started_at' },
  endedAt: { type: DataTypes.DATE(3), field: 'ended_at', defaultValue: null },
  correctedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'corrected_by', defaultValue: null },
  correction: { type: DataTypes.STRING(200), defaultValue: '' },
});

const handOverColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  checks: { type: DataTypes.JSON },
  exceptionText: { type: DataTypes.STRING(400), field: 'exception_text', defaultValue: '' },
  checkedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'checked_by', defaultValue: null },
  checkedAt: { type: DataTypes.DATE(3), field: 'checked_at', defaultValue: null },
  signer: { type: DataTypes.STRING(120), defaultValue: '' },
  signature: { type: DataTypes.TEXT('medium'), defaultValue: null },
  signedAt: { type: DataTypes.DATE(3), field: 'signed_at', defaultValue: null },
  record: { type: DataTypes.TEXT('long'), defaultValue: null },
  subject: { type: DataTypes.JSON, defaultValue: null },
  digest: { type: DataTypes.CHAR(64), defaultValue: null },
  secondBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'second_by', defaultValue: null },
  secondAt: { type: DataTypes.DATE(3), field: 'second_at', defaultValue: null },
  advice: { type: DataTypes.TEXT, defaultValue: null },
  nextCheck: { type: DataTypes.DATEONLY, field: 'next_check', defaultValue: null },
  shown: { type: DataTypes.TEXT('long'), defaultValue: null },
  ending: { type: DataTypes.STRING(20), defaultValue: 'done' },
  endingNote: { type: DataTypes.STRING(400), field: 'ending_note', defaultValue: '' },
  endedAt: { type: DataTypes.DATE(3), field: 'ended_at', defaultValue: null },
  endedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'ended_by', defaultValue: null },
  withdrawn: { type: DataTypes.JSON, defaultValue: null },
  keptDigest: { type: DataTypes.CHAR(64), field: 'kept_digest', defaultValue: null },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

/** Binds a connection's own models to it. */
export function initWork(
  sequelize: Sequelize,
  own: {
    readonly Decision: typeof Decision;
    readonly WorkLine: typeof WorkLine;
    readonly TimeEntry: typeof TimeEntry;
    readonly RodTurn: typeof RodTurn;
    readonly CutRow: typeof CutRow;
    readonly HandOver: typeof HandOver;
  },
): void {
  own.Decision.init(decisionColumns(), { sequelize, modelName: 'Decision', tableName: 'decisions' });
  own.RodTurn.init(rodTurnColumns(), { sequelize, modelName: 'RodTurn', tableName: 'rod_turns' });
  own.CutRow.init(cutColumns(), { sequelize, modelName: 'CutRow', tableName: 'cuts' });
  own.WorkLine.init(workLineColumns(), { sequelize, modelName: 'WorkLine', tableName: 'work_lines' });
  own.TimeEntry.init(timeEntryColumns(), { sequelize, modelName: 'TimeEntry', tableName: 'time_entries' });
  own.HandOver.init(handOverColumns(), { sequelize, modelName: 'HandOver', tableName: 'hand_overs' });
}
