import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Quantity } from '../../../core/readings/quantities.ts';
import type { ShopTargets } from '../../../core/targets/shop-targets.ts';
import type { LengthUnit } from '../../../core/units/length-units.ts';

export class GaugeRow extends Model<InferAttributes<GaugeRow>, InferCreationAttributes<GaugeRow>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare quantities: Quantity[];
  declare unit: LengthUnit;
  declare resolution: string;
  declare zeroOffset: CreationOptional<string>;
  declare checkedAt: CreationOptional<Date | null>;
  declare checkEveryDays: CreationOptional<number>;
  declare retired: CreationOptional<boolean>;
  declare version: CreationOptional<number>;
}

/** A version of what the shop aims at. */
export class TargetVersion extends Model<
  InferAttributes<TargetVersion>,
  InferCreationAttributes<TargetVersion>
> {
  declare version: number;
  declare targets: ShopTargets;
  declare note: CreationOptional<string>;
  declare savedBy: number;
  declare savedAt: Date;
}

/** Binds a connection's own models to it. */
export function initGauges(
  sequelize: Sequelize,
  own: { readonly GaugeRow: typeof GaugeRow; readonly TargetVersion: typeof TargetVersion },
): void {
  own.GaugeRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      name: { type: DataTypes.STRING(80) },
      quantities: { type: DataTypes.JSON },
      unit: { type: DataTypes.STRING(10) },
      resolution: { type: DataTypes.DECIMAL(14, 9) },
      zeroOffset: { type: DataTypes.DECIMAL(14, 9), field: 'zero_offset', defaultValue: '0' },
      checkedAt: { type: DataTypes.DATE(3), field: 'checked_at', defaultValue: null },
      checkEveryDays: { type: DataTypes.INTEGER, field: 'check_every_days', defaultValue: 365 },
      retired: { type: DataTypes.BOOLEAN, defaultValue: false },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'GaugeRow', tableName: 'gauges' },
  );
  own.TargetVersion.init(
    {
      version: { type: DataTypes.INTEGER, primaryKey: true },
      targets: { type: DataTypes.JSON },
      note: { type: DataTypes.STRING(200), defaultValue: '' },
      savedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'saved_by' },
      savedAt: { type: DataTypes.DATE(3), field: 'saved_at' },
    },
    { sequelize, modelName: 'TargetVersion', tableName: 'target_versions' },
  );
}
