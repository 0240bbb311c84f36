import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Kind } from '../../../core/instrument/kinds.ts';
import type { NumberId } from '../../../core/learn/numbers.ts';

/** An act of a closed visit that tells a number of its instrument. */
export class ActRow extends Model<InferAttributes<ActRow>, InferCreationAttributes<ActRow>> {
  declare id: CreationOptional<number>;
  declare instrumentId: number;
  declare jobId: number;
  /** its kind, which may be one of the shop's own, and what that is built as, when it was counted */
  declare kind: string;
  declare base: Kind;
  declare number: NumberId;
  declare moved: string;
  declare gave: string;
  declare variance: string;
  declare between: string;
  declare at: Date;
}

/** What the instruments of a kind tell of a number together. */
export class KindNumber extends Model<InferAttributes<KindNumber>, InferCreationAttributes<KindNumber>> {
  declare kind: string;
  declare number: NumberId;
  declare weight: number;
  declare pull: number;
  declare instruments: number;
  declare acts: number;
}

/** Binds a connection's own models to it. */
export function initLearned(
  sequelize: Sequelize,
  own: { readonly ActRow: typeof ActRow; readonly KindNumber: typeof KindNumber },
): void {
  own.ActRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      instrumentId: { type: DataTypes.INTEGER.UNSIGNED, field: 'instrument_id' },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      kind: { type: DataTypes.STRING(40) },
      base: { type: DataTypes.STRING(20) },
      number: { type: DataTypes.STRING(10) },
      moved: { type: DataTypes.DECIMAL(14, 9) },
      gave: { type: DataTypes.DECIMAL(14, 9) },
      variance: { type: DataTypes.DECIMAL(18, 12) },
      between: { type: DataTypes.STRING(160), field: 'between_rounds' },
      at: { type: DataTypes.DATE(3) },
    },
    { sequelize, modelName: 'ActRow', tableName: 'acts' },
  );
  own.KindNumber.init(
    {
      kind: { type: DataTypes.STRING(40), primaryKey: true },
      number: { type: DataTypes.STRING(10), primaryKey: true },
      weight: { type: DataTypes.DOUBLE },
      pull: { type: DataTypes.DOUBLE },
      instruments: { type: DataTypes.INTEGER },
      acts: { type: DataTypes.INTEGER },
    },
    { sequelize, modelName: 'KindNumber', tableName: 'kind_numbers' },
  );
}
