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
import type { RoundKind } from '../../../core/readings/reading.ts';
import type { Side } from '../../../core/targets/target.ts';

export class Round extends Model<InferAttributes<Round>, InferCreationAttributes<Round>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare kind: RoundKind;
  declare strings: Conditions['strings'];
  declare position: Conditions['position'];
  declare tuning: string;
  declare temperature: CreationOptional<string | null>;
  declare humidity: CreationOptional<string | null>;
  declare startedAt: Date;
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
  declare takenBy: number;
  declare takenAt: Date;
  declare version: CreationOptional<number>;
}

export class JobTarget extends Model<InferAttributes<JobTarget>, InferCreationAttributes<JobTarget>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare quantity: Quantity;
  declare side: Side;
  declare low: string;
  declare aim: string;
  declare high: string;
  declare reason: CreationOptional<string>;
  declare version: CreationOptional<number>;
}

/** Binds these models to a connection. */
export function initReadings(sequelize: Sequelize): void {
  Round.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      kind: { type: DataTypes.ENUM('as-found', 'after-work', 'as-left') },
      strings: { type: DataTypes.ENUM('at-pitch', 'missing', 'off-pitch', 'off') },
      position: { type: DataTypes.ENUM('playing', 'on-its-back') },
      tuning: { type: DataTypes.STRING(60) },
      temperature: { type: DataTypes.DECIMAL(4, 1), defaultValue: null },
      humidity: { type: DataTypes.DECIMAL(4, 1), defaultValue: null },
      startedAt: { type: DataTypes.DATE(3), field: 'started_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'Round', tableName: 'rounds' },
  );
  ReadingRow.init(
    {
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
      takenBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'taken_by' },
      takenAt: { type: DataTypes.DATE(3), field: 'taken_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'ReadingRow', tableName: 'readings' },
  );
  JobTarget.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      quantity: { type: DataTypes.STRING(30) },
      side: { type: DataTypes.ENUM('bass', 'treble', 'both') },
      low: { type: DataTypes.DECIMAL(14, 9) },
      aim: { type: DataTypes.DECIMAL(14, 9) },
      high: { type: DataTypes.DECIMAL(14, 9) },
      reason: { type: DataTypes.STRING(200), defaultValue: '' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'JobTarget', tableName: 'job_targets' },
  );
}
