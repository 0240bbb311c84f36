import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { PaymentKind } from '../../../core/money/payments.ts';

/** An amount that was paid or given back, minor units. One that was written down by mistake is taken back, never deleted. */
export class PaymentRow extends Model<InferAttributes<PaymentRow>, InferCreationAttributes<PaymentRow>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare kind: PaymentKind;
  declare amountMinor: number;
  declare how: string;
  declare note: CreationOptional<string>;
  /** null for one of an earlier release, which did not keep who wrote it down */
  declare byPerson: number | null;
  declare at: Date;
  declare backAt: CreationOptional<Date | null>;
  declare backBy: CreationOptional<number | null>;
  declare backWhy: CreationOptional<string>;
  declare version: CreationOptional<number>;
}

/** Binds a connection's own model to it. */
export function initPayments(sequelize: Sequelize, own: { readonly PaymentRow: typeof PaymentRow }): void {
  own.PaymentRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      kind: { type: DataTypes.ENUM('deposit', 'payment', 'refund') },
      amountMinor: { type: DataTypes.INTEGER.UNSIGNED, field: 'amount_minor' },
      how: { type: DataTypes.STRING(40) },
      note: { type: DataTypes.STRING(200), defaultValue: '' },
      byPerson: { type: DataTypes.INTEGER.UNSIGNED, field: 'by_person', defaultValue: null },
      at: { type: DataTypes.DATE(3) },
      backAt: { type: DataTypes.DATE(3), field: 'back_at', defaultValue: null },
      backBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'back_by', defaultValue: null },
      backWhy: { type: DataTypes.STRING(200), field: 'back_why', defaultValue: '' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'PaymentRow', tableName: 'payments' },
  );
}
