import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** Something that did not work, once for all times it did not. */
export class FailureRow extends Model<InferAttributes<FailureRow>, InferCreationAttributes<FailureRow>> {
  declare id: CreationOptional<number>;
  /** as the log calls it */
  declare words: string;
  /** a command's name or a page's path */
  declare name: string;
  declare why: 'database' | 'machine' | 'program';
  /** by which it is found in the log */
  declare request: CreationOptional<string>;
  declare times: CreationOptional<number>;
  declare firstAt: Date;
  declare lastAt: Date;
}

/** Binds this model to a connection. */
export function initFailures(sequelize: Sequelize, own: { readonly FailureRow: typeof FailureRow }): void {
  own.FailureRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      words: { type: DataTypes.STRING(120) },
      name: { type: DataTypes.STRING(160) },
      why: { type: DataTypes.ENUM('database', 'machine', 'program') },
      request: { type: DataTypes.STRING(40), defaultValue: '' },
      times: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 1 },
      firstAt: { type: DataTypes.DATE(3), field: 'first_at' },
      lastAt: { type: DataTypes.DATE(3), field: 'last_at' },
    },
    { sequelize, modelName: 'FailureRow', tableName: 'failures' },
  );
}
