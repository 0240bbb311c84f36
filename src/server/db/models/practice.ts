import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A practice instrument on somebody's bench. */
export class PracticeSession extends Model<
  InferAttributes<PracticeSession>,
  InferCreationAttributes<PracticeSession>
> {
  declare id: CreationOptional<number>;
  declare personId: number;
  /** who set it; null where it was taken by oneself */
  declare setById: number | null;
  declare code: string;
  /** what its owner says, for lists: the instrument itself is made again only where it is worked on */
  declare says: string;
  declare begunAt: Date;
  declare endedAt: CreationOptional<Date | null>;
  /** how many things were done */
  declare version: CreationOptional<number>;
  /** what was said to be wrong, ids with commas; empty where it was said to be sound */
  declare named: CreationOptional<string | null>;
  declare score: CreationOptional<number | null>;
  /** what came out when it was opened, as text */
  declare opened: CreationOptional<string | null>;
}

/** One thing done at a practice instrument. */
export class PracticeActRow extends Model<
  InferAttributes<PracticeActRow>,
  InferCreationAttributes<PracticeActRow>
> {
  declare sessionId: number;
  declare n: number;
  /** the act as text */
  declare act: string;
  declare doneAt: Date;
}

/** Binds a connection's own models to it. */
export function initPractice(
  sequelize: Sequelize,
  own: {
    readonly PracticeSession: typeof PracticeSession;
    readonly PracticeActRow: typeof PracticeActRow;
  },
): void {
  own.PracticeSession.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
      setById: { type: DataTypes.INTEGER.UNSIGNED, allowNull: true, field: 'set_by_id' },
      code: { type: DataTypes.STRING(60) },
      says: { type: DataTypes.STRING(500) },
      begunAt: { type: DataTypes.DATE(3), field: 'begun_at' },
      endedAt: { type: DataTypes.DATE(3), allowNull: true, field: 'ended_at' },
      version: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
      named: { type: DataTypes.STRING(1700), allowNull: true },
      score: { type: DataTypes.TINYINT.UNSIGNED, allowNull: true },
      opened: { type: DataTypes.TEXT('long'), allowNull: true },
    },
    { sequelize, modelName: 'PracticeSession', tableName: 'practice_sessions' },
  );
  own.PracticeActRow.init(
    {
      sessionId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'session_id' },
      n: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true },
      act: { type: DataTypes.STRING(400) },
      doneAt: { type: DataTypes.DATE(3), field: 'done_at' },
    },
    { sequelize, modelName: 'PracticeActRow', tableName: 'practice_acts' },
  );
}
