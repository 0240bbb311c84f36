import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A place in the ledger of seals: never changed, never taken out. */
export class LedgerRow extends Model<InferAttributes<LedgerRow>, InferCreationAttributes<LedgerRow>> {
  declare id: CreationOptional<number>;
  declare kind: 'seal' | 'before' | 'withdrawn' | 'elsewhere' | 'log' | 'secret';
  declare jobId: number | null;
  declare fromId: number | null;
  declare toId: number | null;
  declare digest: string;
  declare kept: string | null;
  declare at: Date;
  declare mac: string;
}

/** Binds this model to a connection. */
export function initLedger(sequelize: Sequelize, own: { readonly LedgerRow: typeof LedgerRow }): void {
  own.LedgerRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      kind: { type: DataTypes.ENUM('seal', 'before', 'withdrawn', 'elsewhere', 'log', 'secret') },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      fromId: { type: DataTypes.BIGINT.UNSIGNED, field: 'from_id' },
      toId: { type: DataTypes.BIGINT.UNSIGNED, field: 'to_id' },
      digest: { type: DataTypes.CHAR(64) },
      kept: { type: DataTypes.CHAR(64) },
      at: { type: DataTypes.DATE(3) },
      mac: { type: DataTypes.CHAR(64) },
    },
    { sequelize, modelName: 'LedgerRow', tableName: 'seal_ledger' },
  );
}
