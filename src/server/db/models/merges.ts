import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Construction } from '../../../core/instrument/construction.ts';

/** What a joining moved, so that it can go back. */
export interface Moved {
  readonly jobs: readonly number[];
  readonly instruments: readonly number[];
  /** what is watched, and parts that are kept; absent in older ones */
  readonly watches?: readonly number[];
  readonly parts?: readonly number[];
  readonly inside?: readonly number[];
}

/** A verdict on two entries: one, joined; or two, kept apart. */
export class Merge extends Model<InferAttributes<Merge>, InferCreationAttributes<Merge>> {
  declare id: CreationOptional<number>;
  declare entity: 'customer' | 'instrument';
  declare verdict: 'same' | 'apart';
  declare keptId: number;
  declare goneId: number;
  declare moved: Moved;
  declare mergedBy: number;
  declare mergedAt: Date;
  declare undoneAt: CreationOptional<Date | null>;
}

/** A kind of instrument of the shop's own; `construction.kind` is the shipped kind whose rules it goes by. */
export class KindRow extends Model<InferAttributes<KindRow>, InferCreationAttributes<KindRow>> {
  declare id: string;
  declare name: string;
  declare construction: Construction;
  /** no longer offered; instruments of it go on */
  declare retired: CreationOptional<boolean>;
  declare version: CreationOptional<number>;
}

/** Binds a connection's own models to it. */
export function initMerges(
  sequelize: Sequelize,
  own: { readonly Merge: typeof Merge; readonly KindRow: typeof KindRow },
): void {
  own.Merge.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      entity: { type: DataTypes.ENUM('customer', 'instrument') },
      verdict: { type: DataTypes.ENUM('same', 'apart') },
      keptId: { type: DataTypes.INTEGER.UNSIGNED, field: 'kept_id' },
      goneId: { type: DataTypes.INTEGER.UNSIGNED, field: 'gone_id' },
      moved: { type: DataTypes.JSON },
      mergedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'merged_by' },
      mergedAt: { type: DataTypes.DATE(3), field: 'merged_at' },
      undoneAt: { type: DataTypes.DATE(3), field: 'undone_at', defaultValue: null },
    },
    { sequelize, modelName: 'Merge', tableName: 'merges' },
  );
  own.KindRow.init(
    {
      id: { type: DataTypes.STRING(40), primaryKey: true },
      name: { type: DataTypes.STRING(60) },
      construction: { type: DataTypes.JSON },
      retired: { type: DataTypes.BOOLEAN, defaultValue: false },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'KindRow', tableName: 'kinds' },
  );
}
