import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Matters } from '../../../core/instrument/matters.ts';
import type { SetPayer } from '../../../core/job/set-payer.ts';
import type { JobFacts } from '../../../core/job/leaves.ts';
import { WAITS, type Wait } from '../../../core/job/waiting.ts';
import type { Discount } from '../../../core/money/money.ts';
import type { Conditions } from '../../../core/readings/conditions.ts';
import type { Touch } from '../../../core/targets/target.ts';
import type { Hunt } from '../../../core/hunt/hunt-record.ts';
import type { HeardPlace } from '../../../core/whatif/heard.ts';

export class Job extends Model<InferAttributes<Job>, InferCreationAttributes<Job>> {
  declare id: CreationOptional<number>;
  declare number: number;
  declare instrumentId: number;
  declare customerId: number;
  declare complaint: string;
  declare touch: Touch | null;
  declare matters: CreationOptional<Matters | null>;
  declare setPaidBy: CreationOptional<SetPayer | null>;
  declare plays: CreationOptional<string>;
  declare wish: string;
  declare neededBy: CreationOptional<string | null>;
  declare hardDate: CreationOptional<boolean>;
  declare hardReason: CreationOptional<string>;
  declare limitMinor: CreationOptional<number | null>;
  declare discountKind: CreationOptional<Discount['kind']>;
  declare discountValue: CreationOptional<number>;
  declare discountReason: CreationOptional<string>;
  declare stringsState: Conditions['strings'];
  declare placeId: CreationOptional<number | null>;
  declare holderId: CreationOptional<number | null>;
  declare waitingFor: Wait;
  declare waitingNote: CreationOptional<string>;
  declare waitingUntil: CreationOptional<Date | null>;
  /** it hangs with those that wait for a part because the stores say so, and comes back when it is here */
  declare waitsForStock: CreationOptional<boolean>;
  declare state: CreationOptional<'open' | 'closed'>;
  declare list: CreationOptional<string>;
  declare facts: JobFacts;
  /** how many changes there were that its counts hang on */
  declare changes: CreationOptional<number>;
  /** up to which of them the counts hold */
  declare counted: CreationOptional<number>;
  /** what was heard where its player played */
  declare heard: CreationOptional<HeardPlace[] | null>;
  /** the noise that is hunted on it */
  declare hunt: CreationOptional<Hunt | null>;
  declare takenInAt: Date;
  declare takenInBy: number;
  declare closedAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

export class JobItem extends Model<InferAttributes<JobItem>, InferCreationAttributes<JobItem>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare name: string;
  declare state: CreationOptional<string>;
  /** the number of its bag, for a part taken off at the bench; null for what came with the instrument */
  declare bag: CreationOptional<number | null>;
  declare returnedAt: CreationOptional<Date | null>;
  declare returnedBy: CreationOptional<number | null>;
  declare absence: CreationOptional<string>;
  declare version: CreationOptional<number>;
}

function initJob(sequelize: Sequelize, own: typeof Job): void {
  own.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      number: { type: DataTypes.INTEGER.UNSIGNED },
      instrumentId: { type: DataTypes.INTEGER.UNSIGNED, field: 'instrument_id' },
      customerId: { type: DataTypes.INTEGER.UNSIGNED, field: 'customer_id' },
      complaint: { type: DataTypes.TEXT },
      touch: { type: DataTypes.ENUM('light', 'medium', 'heavy') },
      matters: { type: DataTypes.ENUM('price', 'history', 'both', 'neither') },
      setPaidBy: { type: DataTypes.ENUM('customer', 'shop'), field: 'set_paid_by' },
      plays: { type: DataTypes.STRING(200), defaultValue: '' },
      wish: { type: DataTypes.TEXT },
      neededBy: { type: DataTypes.DATEONLY, field: 'needed_by', defaultValue: null },
      hardDate: { type: DataTypes.BOOLEAN, field: 'hard_date', defaultValue: false },
      hardReason: { type: DataTypes.STRING(120), field: 'hard_reason', defaultValue: '' },
      limitMinor: { type: DataTypes.INTEGER.UNSIGNED, field: 'limit_minor', defaultValue: null },
      discountKind: {
        type: DataTypes.ENUM('none', 'amount', 'share'),
        field: 'discount_kind',
        defaultValue: 'none',
      },
      discountValue: { type: DataTypes.INTEGER.UNSIGNED, field: 'discount_value', defaultValue: 0 },
      discountReason: { type: DataTypes.STRING(200), field: 'discount_reason', defaultValue: '' },
      stringsState: {
        type: DataTypes.ENUM('at-pitch', 'missing', 'off-pitch', 'off'),
        field: 'strings_state',
      },
      placeId: { type: DataTypes.INTEGER.UNSIGNED, field: 'place_id', defaultValue: null },
      holderId: { type: DataTypes.INTEGER.UNSIGNED, field: 'holder_id', defaultValue: null },
      waitingFor: { type: DataTypes.ENUM(...WAITS), field: 'waiting_for' },
      waitingNote: { type: DataTypes.STRING(200), field: 'waiting_note', defaultValue: '' },
      waitingUntil: { type: DataTypes.DATE(3), field: 'waiting_until', defaultValue: null },
      waitsForStock: { type: DataTypes.BOOLEAN, field: 'waits_for_stock', defaultValue: false },
      state: { type: DataTypes.ENUM('open', 'closed'), defaultValue: 'open' },
      list: { type: DataTypes.STRING(40), defaultValue: 'bench-arrival' },
      facts: { type: DataTypes.JSON },
      heard: { type: DataTypes.JSON, defaultValue: null },
      hunt: { type: DataTypes.JSON, defaultValue: null },
      changes: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
      counted: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
      takenInAt: { type: DataTypes.DATE(3), field: 'taken_in_at' },
      takenInBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'taken_in_by' },
      closedAt: { type: DataTypes.DATE(3), field: 'closed_at', defaultValue: null },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'Job', tableName: 'jobs' },
  );
}

/** Binds a connection's own models to it. */
export function initJobs(
  sequelize: Sequelize,
  own: { readonly Job: typeof Job; readonly JobItem: typeof JobItem },
): void {
  initJob(sequelize, own.Job);
  own.JobItem.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      name: { type: DataTypes.STRING(120) },
      state: { type: DataTypes.STRING(200), defaultValue: '' },
      bag: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: null },
      returnedAt: { type: DataTypes.DATE(3), field: 'returned_at', defaultValue: null },
      returnedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'returned_by', defaultValue: null },
      absence: { type: DataTypes.STRING(200), defaultValue: '' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'JobItem', tableName: 'job_items' },
  );
}
