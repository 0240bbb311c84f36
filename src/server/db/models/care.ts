import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { ShopCare } from '../../../core/care/care.ts';

/** What may touch what, as the shop says it, version by version. */
export class CareVersion extends Model<InferAttributes<CareVersion>, InferCreationAttributes<CareVersion>> {
  declare version: number;
  declare care: ShopCare;
  declare note: CreationOptional<string>;
  declare savedBy: number;
  declare savedAt: Date;
}

/** Binds a connection's own model to it. */
export function initCare(sequelize: Sequelize, own: { readonly CareVersion: typeof CareVersion }): void {
  own.CareVersion.init(
    {
      version: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
      care: { type: DataTypes.JSON },
      note: { type: DataTypes.STRING(200), defaultValue: '' },
      savedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'saved_by' },
      savedAt: { type: DataTypes.DATE(3), field: 'saved_at' },
    },
    { sequelize, modelName: 'CareVersion', tableName: 'care_versions' },
  );
}
