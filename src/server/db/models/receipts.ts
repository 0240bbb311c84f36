import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { SeenOnReceipt } from '../../../core/job/job-parts.ts';

export class Receipt extends Model<InferAttributes<Receipt>, InferCreationAttributes<Receipt>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare seen: SeenOnReceipt;
  declare name: string;
  /** strokes as JSON; null when initialled by name */
  declare initials: string | null;
  declare givenBy: number;
  declare givenAt: Date;
}

/** Binds this model to a connection. */
export function initReceipts(sequelize: Sequelize, own: { readonly Receipt: typeof Receipt }): void {
  own.Receipt.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      seen: { type: DataTypes.JSON },
      name: { type: DataTypes.STRING(120) },
      initials: { type: DataTypes.TEXT('medium') },
      givenBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'given_by' },
      givenAt: { type: DataTypes.DATE(3), field: 'given_at' },
    },
    { sequelize, modelName: 'Receipt', tableName: 'receipts' },
  );
}
