import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { MovedWhy } from '../../../core/schedule/why-moved.ts';

/** Where an open step stands in the plan. */
export class PlannedStep extends Model<InferAttributes<PlannedStep>, InferCreationAttributes<PlannedStep>> {
  declare step: string;
  declare jobId: number;
  declare personId: number;
  declare spot: string | null;
  declare startsAt: Date;
}

/** Where a step stood when the plan first moved it by itself on a day, and why it is elsewhere since; its moment is ms. */
export class PlanMove extends Model<InferAttributes<PlanMove>, InferCreationAttributes<PlanMove>> {
  declare step: string;
  declare day: string;
  declare jobId: number;
  declare personId: number;
  declare startsAt: Date;
  declare why: MovedWhy;
  declare movedAt: Date;
}

/** Where somebody put a step. */
export class StepPut extends Model<InferAttributes<StepPut>, InferCreationAttributes<StepPut>> {
  declare step: string;
  declare jobId: number;
  declare personId: number | null;
  declare startsAt: Date | null;
  /** how long it takes in all; null: as the planner counts */
  declare minutes: number | null;
  declare putBy: number;
  declare putAt: Date;
  declare version: CreationOptional<number>;
}

/** Days on which somebody is not here, both ends with it. */
export class Absence extends Model<InferAttributes<Absence>, InferCreationAttributes<Absence>> {
  declare id: CreationOptional<number>;
  declare personId: number;
  declare firstDay: string;
  declare lastDay: string;
  declare why: string;
  declare saidBy: number;
  declare saidAt: Date;
  declare takenBackAt: CreationOptional<Date | null>;
}

/** Hours beside somebody's own, on one day. */
export class ExtraHours extends Model<InferAttributes<ExtraHours>, InferCreationAttributes<ExtraHours>> {
  declare id: CreationOptional<number>;
  declare personId: number;
  declare day: string;
  /** minutes after midnight */
  declare fromMinute: number;
  declare toMinute: number;
  declare saidBy: number;
  declare saidAt: Date;
  declare takenBackAt: CreationOptional<Date | null>;
}

/** What was promised, and how likely it was then; null where nobody had counted. */
export class PromiseRow extends Model<InferAttributes<PromiseRow>, InferCreationAttributes<PromiseRow>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare day: string;
  declare chance: string | null;
  declare madeBy: number;
  declare madeAt: Date;
}

/** When the plan has a job ready, and the chance to be in time. */
export class JobDate extends Model<InferAttributes<JobDate>, InferCreationAttributes<JobDate>> {
  declare jobId: number;
  declare readyAt: Date | null;
  declare chance: string | null;
}

const number = () => ({ type: DataTypes.INTEGER.UNSIGNED });
const moment = () => ({ type: DataTypes.DATE(3) });

/** The link of one person's calendar, by its hash. */
export class WeekFeed extends Model<InferAttributes<WeekFeed>, InferCreationAttributes<WeekFeed>> {
  declare personId: number;
  declare tokenHash: string;
  declare madeAt: Date;
}

interface Own {
  readonly WeekFeed: typeof WeekFeed;
  readonly PlannedStep: typeof PlannedStep;
  readonly PlanMove: typeof PlanMove;
  readonly StepPut: typeof StepPut;
  readonly Absence: typeof Absence;
  readonly ExtraHours: typeof ExtraHours;
  readonly PromiseRow: typeof PromiseRow;
  readonly JobDate: typeof JobDate;
}

/** What people said: who is away, what was promised; and the dates that follow. */
function initSaid(sequelize: Sequelize, own: Own): void {
  const id = { ...number(), primaryKey: true, autoIncrement: true };
  own.WeekFeed.init(
    {
      personId: { ...number(), field: 'person_id', primaryKey: true },
      tokenHash: { type: DataTypes.CHAR(64), field: 'token_hash' },
      madeAt: { ...moment(), field: 'made_at' },
    },
    { sequelize, modelName: 'WeekFeed', tableName: 'week_feeds' },
  );
  own.JobDate.init(
    {
      jobId: { ...number(), field: 'job_id', primaryKey: true },
      readyAt: { ...moment(), field: 'ready_at' },
      chance: { type: DataTypes.DECIMAL(4, 3) },
    },
    { sequelize, modelName: 'JobDate', tableName: 'job_dates' },
  );
  own.Absence.init(
    {
      id,
      personId: { ...number(), field: 'person_id' },
      firstDay: { type: DataTypes.DATEONLY, field: 'first_day' },
      lastDay: { type: DataTypes.DATEONLY, field: 'last_day' },
      why: { type: DataTypes.STRING(80) },
      saidBy: { ...number(), field: 'said_by' },
      saidAt: { ...moment(), field: 'said_at' },
      takenBackAt: { ...moment(), field: 'taken_back_at', defaultValue: null },
    },
    { sequelize, modelName: 'Absence', tableName: 'absences' },
  );
  own.ExtraHours.init(
    {
      id,
      personId: { ...number(), field: 'person_id' },
      day: { type: DataTypes.DATEONLY },
      fromMinute: { type: DataTypes.SMALLINT.UNSIGNED, field: 'from_minute' },
      toMinute: { type: DataTypes.SMALLINT.UNSIGNED, field: 'to_minute' },
      saidBy: { ...number(), field: 'said_by' },
      saidAt: { ...moment(), field: 'said_at' },
      takenBackAt: { ...moment(), field: 'taken_back_at', defaultValue: null },
    },
    { sequelize, modelName: 'ExtraHours', tableName: 'extra_hours' },
  );
  own.PromiseRow.init(
    {
      id,
      jobId: { ...number(), field: 'job_id' },
      day: { type: DataTypes.DATEONLY },
      chance: { type: DataTypes.DECIMAL(4, 3) },
      madeBy: { ...number(), field: 'made_by' },
      madeAt: { ...moment(), field: 'made_at' },
    },
    { sequelize, modelName: 'PromiseRow', tableName: 'promises' },
  );
}

/** Binds a connection's own models to it. */
export function initWeek(sequelize: Sequelize, own: Own): void {
  const step = { type: DataTypes.STRING(80), primaryKey: true };
  own.PlannedStep.init(
    {
      step,
      jobId: { ...number(), field: 'job_id' },
      personId: { ...number(), field: 'person_id' },
      spot: { type: DataTypes.STRING(40) },
      startsAt: { ...moment(), field: 'starts_at' },
    },
    { sequelize, modelName: 'PlannedStep', tableName: 'planned_steps' },
  );
  own.PlanMove.init(
    {
      step,
      day: { type: DataTypes.DATEONLY, primaryKey: true },
      jobId: { ...number(), field: 'job_id' },
      personId: { ...number(), field: 'person_id' },
      startsAt: { ...moment(), field: 'starts_at' },
      why: { type: DataTypes.JSON },
      movedAt: { ...moment(), field: 'moved_at' },
    },
    { sequelize, modelName: 'PlanMove', tableName: 'plan_moves' },
  );
  own.StepPut.init(
    {
      step,
      jobId: { ...number(), field: 'job_id' },
      personId: { ...number(), field: 'person_id' },
      startsAt: { ...moment(), field: 'starts_at' },
      minutes: { type: DataTypes.SMALLINT.UNSIGNED },
      putBy: { ...number(), field: 'put_by' },
      putAt: { ...moment(), field: 'put_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 1 },
    },
    { sequelize, modelName: 'StepPut', tableName: 'step_puts' },
  );
  initSaid(sequelize, own);
}
