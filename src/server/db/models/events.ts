import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

export class CommandRow extends Model<InferAttributes<CommandRow>, InferCreationAttributes<CommandRow>> {
  declare id: string;
  declare name: string;
  declare personId: number;
  declare answer: unknown;
  declare at: Date;
}

export class EventRow extends Model<InferAttributes<EventRow>, InferCreationAttributes<EventRow>> {
  declare id: CreationOptional<number>;
  declare at: Date;
  declare personId: number | null;
  declare deviceId: number | null;
  declare jobId: number | null;
  declare kind: string;
  declare entity: string;
  declare entityId: string;
  declare fromVersion: number | null;
  declare data: unknown;
  /** the command that wrote it; null for what a customer did by a link */
  declare commandId: CreationOptional<string | null>;
}

/** The texts of one entry of the log that name one customer, by their places in it. They go when the customer is forgotten. */
export class EventWords extends Model<InferAttributes<EventWords>, InferCreationAttributes<EventWords>> {
  declare eventId: number;
  declare customerId: number;
  declare words: Readonly<Record<string, string>>;
}

/** Binds a connection's own models to it. */
export function initEvents(
  sequelize: Sequelize,
  own: {
    readonly CommandRow: typeof CommandRow;
    readonly EventRow: typeof EventRow;
    readonly EventWords: typeof EventWords;
  },
): void {
  own.CommandRow.init(
    {
      id: { type: DataTypes.CHAR(36), primaryKey: true },
      name: { type: DataTypes.STRING(60) },
      personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
      answer: { type: DataTypes.JSON },
      at: { type: DataTypes.DATE(3) },
    },
    { sequelize, modelName: 'CommandRow', tableName: 'commands' },
  );
  own.EventRow.init(
    {
      id: { type: DataTypes.BIGINT.UNSIGNED, primaryKey: true, autoIncrement: true },
      at: { type: DataTypes.DATE(3) },
      personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
      deviceId: { type: DataTypes.INTEGER.UNSIGNED, field: 'device_id' },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      kind: { type: DataTypes.STRING(60) },
      entity: { type: DataTypes.STRING(40) },
      entityId: { type: DataTypes.STRING(120), field: 'entity_id' },
      fromVersion: { type: DataTypes.INTEGER.UNSIGNED, field: 'from_version' },
      data: { type: DataTypes.JSON },
      commandId: { type: DataTypes.CHAR(36), field: 'command_id', defaultValue: null },
    },
    { sequelize, modelName: 'EventRow', tableName: 'events' },
  );
  own.EventWords.init(
    {
      eventId: { type: DataTypes.BIGINT.UNSIGNED, primaryKey: true, field: 'event_id' },
      customerId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'customer_id' },
      words: { type: DataTypes.JSON },
    },
    { sequelize, modelName: 'EventWords', tableName: 'event_words' },
  );
}
