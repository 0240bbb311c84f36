import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** One time the record was looked after: a copy of it made, its seals checked. */
export class UpkeepRun extends Model<InferAttributes<UpkeepRun>, InferCreationAttributes<UpkeepRun>> {
  declare id: CreationOptional<number>;
  declare kind: 'copy' | 'seals';
  declare beganAt: Date;
  declare endedAt: Date;
  declare good: boolean;
  /** where a copy stands */
  declare place: CreationOptional<string>;
  declare bytes: CreationOptional<number | null>;
  /** what is to be said of it, such as why it failed */
  declare words: CreationOptional<string>;
}

/** Binds this model to a connection. */
export function initUpkeep(sequelize: Sequelize, own: { readonly UpkeepRun: typeof UpkeepRun }): void {
  own.UpkeepRun.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      kind: { type: DataTypes.ENUM('copy', 'seals') },
      beganAt: { type: DataTypes.DATE(3), field: 'began_at' },
      endedAt: { type: DataTypes.DATE(3), field: 'ended_at' },
      good: { type: DataTypes.BOOLEAN },
      place: { type: DataTypes.STRING(500), defaultValue: '' },
      bytes: { type: DataTypes.BIGINT.UNSIGNED, defaultValue: null },
      words: { type: DataTypes.STRING(1000), defaultValue: '' },
    },
    { sequelize, modelName: 'UpkeepRun', tableName: 'upkeep_runs' },
  );
}
