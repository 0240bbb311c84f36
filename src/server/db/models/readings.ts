import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Conditions } from '../../../core/readings/conditions.ts';
import type { Quantity } from '../../../core/readings/quantities.ts';
import type { Methods } from '../../../core/readings/methods.ts';
import type { StringAge } from '../../../core/readings/set-on.ts';
import type { RoundKind } from '../../../core/readings/rounds.ts';
import type { RelativeWish, Side } from '../../../core/targets/target.ts';

export class Round extends Model<InferAttributes<Round>, InferCreationAttributes<Round>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare kind: RoundKind;
  declare strings: Conditions['strings'];
  declare position: Conditions['position'];
  declare tuning: string;
  /** the set it is read with, and how old that is; null where nobody said */
  declare setOn: CreationOptional<string>;
  declare setAge: CreationOptional<StringAge | null>;
  declare temperature: CreationOptional<string | null>;
  declare humidity: CreationOptional<string | null>;
  declare startedAt: Date;
  /** what was done before it */
  declare title: CreationOptional<string>;
  /** how it is read; null as the shop reads */
  declare methods: CreationOptional<Methods | null>;
  /** gauges taken for this round, by quantity; the shop's where nothing is said */
  declare gauges: CreationOptional<Partial<Record<Quantity, number>> | null>;
  /** A4 in Hz, where it was said */
  declare pitch: CreationOptional<string | null>;
  /** the last version of each reading that was taken back, by its place */
  declare takenBack: CreationOptional<Readonly<Record<string, number>> | null>;
  declare version: CreationOptional<number>;
}

export class ReadingRow extends Model<InferAttributes<ReadingRow>, InferCreationAttributes<ReadingRow>> {
  declare id: CreationOptional<number>;
  declare roundId: number;
  declare quantity: Quantity;
  declare stringNo: number;
  declare fret: number;
  declare value: string;
  declare typed: string;
  declare unit: string;
  declare method: string;
  declare gauge: string;
  declare strings: Conditions['strings'];
  declare position: Conditions['position'];
  declare notRepresentative: string | null;
  declare methodId: CreationOptional<string | null>;
  /** standard uncertainty, in the value's unit */
  declare uncertainty: CreationOptional<string | null>;
  /** the round it was carried forward from */
  declare copiedFrom: CreationOptional<RoundKind | null>;
  /** the sound it was heard in, where that was kept */
  declare soundId: CreationOptional<number | null>;
  /** how much that buzzed, 0 to 1; null where it can’t be told */
  declare buzz: CreationOptional<string | null>;
  declare takenBy: number;
  declare takenAt: Date;
  declare version: CreationOptional<number>;
}

/** A sound that was kept with a reading. */
export class KeptSound extends Model<InferAttributes<KeptSound>, InferCreationAttributes<KeptSound>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare bytes: Buffer;
  declare digest: string;
  declare keptBy: number;
  declare keptAt: Date;
}

export class JobTarget extends Model<InferAttributes<JobTarget>, InferCreationAttributes<JobTarget>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare quantity: Quantity;
  declare side: Side;
  /** one string; 0 for a side */
  declare stringNo: CreationOptional<number>;
  declare layer: CreationOptional<'customer' | 'job'>;
  declare relative: RelativeWish | null;
  declare low: string;
  declare aim: string;
  declare high: string;
  declare reason: CreationOptional<string>;
  declare version: CreationOptional<number>;
}

const roundColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  kind: { type: DataTypes.STRING(20) },
  strings: { type: DataTypes.ENUM('at-pitch', 'missing', 'off-pitch', 'off') },
  position: { type: DataTypes.ENUM('playing', 'on-its-back') },
  tuning: { type: DataTypes.STRING(60) },
  setOn: { type: DataTypes.STRING(120), field: 'set_on', defaultValue: '' },
  setAge: { type: DataTypes.ENUM('new', 'played', 'old'), field: 'set_age', defaultValue: null },
  temperature: { type: DataTypes.DECIMAL(4, 1), defaultValue: null },
  humidity: { type: DataTypes.DECIMAL(4, 1), defaultValue: null },
  startedAt: { type: DataTypes.DATE(3), field: 'started_at' },
  title: { type: DataTypes.STRING(160), defaultValue: '' },
  methods: { type: DataTypes.JSON, defaultValue: null },
  takenBack: { type: DataTypes.JSON, field: 'taken_back', defaultValue: null },
  gauges: { type: DataTypes.JSON, defaultValue: null },
  pitch: { type: DataTypes.DECIMAL(6, 2), defaultValue: null },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const readingRowColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  roundId: { type: DataTypes.INTEGER.UNSIGNED, field: 'round_id' },
  quantity: { type: DataTypes.STRING(30) },
  stringNo: { type: DataTypes.TINYINT.UNSIGNED, field: 'string_no' },
  fret: { type: DataTypes.TINYINT.UNSIGNED },
  value: { type: DataTypes.DECIMAL(14, 9) },
  typed: { type: DataTypes.STRING(60) },
  unit: { type: DataTypes.STRING(10) },
  method: { type: DataTypes.STRING(120) },
  gauge: { type: DataTypes.STRING(80) },
  strings: { type: DataTypes.ENUM('at-pitch', 'missing', 'off-pitch', 'off') },
  position: { type: DataTypes.ENUM('playing', 'on-its-back') },
  notRepresentative: { type: DataTypes.STRING(120), field: 'not_representative' },
  methodId: { type: DataTypes.STRING(20), field: 'method_id', defaultValue: null },
  uncertainty: { type: DataTypes.DECIMAL(14, 9), defaultValue: null },
  copiedFrom: { type: DataTypes.STRING(20), field: 'copied_from', defaultValue: null },
  soundId: { type: DataTypes.INTEGER.UNSIGNED, field: 'sound_id', defaultValue: null },
  buzz: { type: DataTypes.DECIMAL(4, 3), defaultValue: null },
  takenBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'taken_by' },
  takenAt: { type: DataTypes.DATE(3), field: 'taken_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const keptSoundColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  bytes: { type: DataTypes.BLOB('medium') },
  digest: { type: DataTypes.CHAR(64) },
  keptBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'kept_by' },
  keptAt: { type: DataTypes.DATE(3), field: 'kept_at' },
});

const jobTargetColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
  quantity: { type: DataTypes.STRING(30) },
  side: { type: DataTypes.ENUM('bass', 'treble', 'both') },
  stringNo: { type: DataTypes.TINYINT.UNSIGNED, field: 'string_no', defaultValue: 0 },
  layer: { type: DataTypes.ENUM('customer', 'job'), defaultValue: 'job' },
  relative: { type: DataTypes.STRING(20), defaultValue: null },
  low: { type: DataTypes.DECIMAL(14, 9) },
  aim: { type: DataTypes.DECIMAL(14, 9) },
  high: { type: DataTypes.DECIMAL(14, 9) },
  reason: { type: DataTypes.STRING(200), defaultValue: '' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

/** Binds a connection's own models to it. */
export function initReadings(
  sequelize: Sequelize,
  own: {
    readonly Round: typeof Round;
    readonly ReadingRow: typeof ReadingRow;
    readonly JobTarget: typeof JobTarget;
    readonly KeptSound: typeof KeptSound;
  },
): void {
  own.Round.init(roundColumns(), { sequelize, modelName: 'Round', tableName: 'rounds' });
  own.ReadingRow.init(readingRowColumns(), { sequelize, modelName: 'ReadingRow', tableName: 'readings' });
  own.KeptSound.init(keptSoundColumns(), { sequelize, modelName: 'KeptSound', tableName: 'sounds' });
  own.JobTarget.init(jobTargetColumns(), { sequelize, modelName: 'JobTarget', tableName: 'job_targets' });
}
