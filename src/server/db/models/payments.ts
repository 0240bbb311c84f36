import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { InvoiceContent } from '../../../core/job/views/invoice.ts';
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

/** A numbered invoice, as it was when it was made; or one that cancels another. None is ever changed or deleted. */
export class InvoiceRow extends Model<InferAttributes<InvoiceRow>, InferCreationAttributes<InvoiceRow>> {
  declare number: number;
  declare jobId: number;
  declare content: InvoiceContent;
  /** the number of the one it cancels, and why */
  declare cancels: CreationOptional<number | null>;
  declare reason: CreationOptional<string>;
  declare madeBy: number;
  declare madeAt: Date;
}

/** Binds a connection's own models to it. */
export function initPayments(
  sequelize: Sequelize,
  own: { readonly PaymentRow: typeof PaymentRow; readonly InvoiceRow: typeof InvoiceRow },
): void {
  own.InvoiceRow.init(
    {
      number: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      content: { type: DataTypes.JSON },
      cancels: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: null },
      reason: { type: DataTypes.STRING(200), defaultValue: '' },
      madeBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'made_by' },
      madeAt: { type: DataTypes.DATE(3), field: 'made_at' },
    },
    { sequelize, modelName: 'InvoiceRow', tableName: 'invoices' },
  );
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
