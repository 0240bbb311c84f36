import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { StringFact } from '../../../core/instrument/construction-facts.ts';

/** What could no longer be read when the strings came off, by name. */
export interface Lost {
  readonly readings: readonly string[];
  readonly items: readonly string[];
}

export class StringChange extends Model<
  InferAttributes<StringChange>,
  InferCreationAttributes<StringChange>
> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare kind: 'off' | 'on';
  declare reason: CreationOptional<string>;
  declare lost: Lost;
  declare setName: CreationOptional<string>;
  /** whether the strings that went on are new; null when they came off */
  declare fresh: boolean | null;
  declare strings: readonly StringFact[];
  /** which strings are new, by number, where not all are; null where all or none */
  declare newOnes: CreationOptional<readonly number[] | null>;
  /** which strings broke, by number */
  declare broke: CreationOptional<readonly number[] | null>;
  declare brokeNote: CreationOptional<string>;
  declare changedBy: number;
  declare changedAt: Date;
}

/** Binds this model to a connection. */
export function initStrings(sequelize: Sequelize, own: { readonly StringChange: typeof StringChange }): void {
  own.StringChange.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      kind: { type: DataTypes.ENUM('off', 'on') },
      reason: { type: DataTypes.STRING(400), defaultValue: '' },
      lost: { type: DataTypes.JSON },
      setName: { type: DataTypes.STRING(120), field: 'set_name', defaultValue: '' },
      fresh: { type: DataTypes.BOOLEAN },
      strings: { type: DataTypes.JSON },
      newOnes: { type: DataTypes.JSON, field: 'new_ones', defaultValue: null },
      broke: { type: DataTypes.JSON, defaultValue: null },
      brokeNote: { type: DataTypes.STRING(200), field: 'broke_note', defaultValue: '' },
      changedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'changed_by' },
      changedAt: { type: DataTypes.DATE(3), field: 'changed_at' },
    },
    { sequelize, modelName: 'StringChange', tableName: 'string_changes' },
  );
}
