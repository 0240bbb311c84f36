import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A file of a logger that was taken in. */
export class AirLog extends Model<InferAttributes<AirLog>, InferCreationAttributes<AirLog>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare hours: number;
  declare fromAt: Date;
  declare toAt: Date;
  declare broughtBy: number;
  declare broughtAt: Date;
}

/** The air of the shop in one hour. */
export class AirHour extends Model<InferAttributes<AirHour>, InferCreationAttributes<AirHour>> {
  /** when the hour begins */
  declare at: Date;
  /** % */
  declare humidity: string;
  /** °C */
  declare temperature: string | null;
  declare logId: number;
}

const moment = (field: string) => ({ type: DataTypes.DATE(3), field });

/** Binds a connection's own models to it. */
export function initAir(
  sequelize: Sequelize,
  own: { readonly AirLog: typeof AirLog; readonly AirHour: typeof AirHour },
): void {
  own.AirLog.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      name: { type: DataTypes.STRING(120) },
      hours: { type: DataTypes.INTEGER.UNSIGNED },
      fromAt: moment('from_at'),
      toAt: moment('to_at'),
      broughtBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'brought_by' },
      broughtAt: moment('brought_at'),
    },
    { sequelize, modelName: 'AirLog', tableName: 'air_logs' },
  );
  own.AirHour.init(
    {
      at: { ...moment('at'), primaryKey: true },
      humidity: { type: DataTypes.DECIMAL(4, 1) },
      temperature: { type: DataTypes.DECIMAL(4, 1) },
      logId: { type: DataTypes.INTEGER.UNSIGNED, field: 'log_id' },
    },
    { sequelize, modelName: 'AirHour', tableName: 'air_hours' },
  );
}
