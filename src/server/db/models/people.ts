import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Skill } from '../../../core/catalogue/operation-record.ts';
import type { WeekHours } from '../../../core/days/opening.ts';
import type { Role } from '../../../core/people/roles.ts';

export class Setting extends Model<InferAttributes<Setting>, InferCreationAttributes<Setting>> {
  declare name: string;
  declare value: unknown;
  declare version: CreationOptional<number>;
}

export class Person extends Model<InferAttributes<Person>, InferCreationAttributes<Person>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare initials: string;
  declare role: Role;
  declare pinHash: string;
  declare skill: CreationOptional<Skill>;
  /** when they work; null where it is when the shop is open */
  declare hours: CreationOptional<WeekHours | null>;
  declare active: CreationOptional<boolean>;
  declare version: CreationOptional<number>;
}

export class Device extends Model<InferAttributes<Device>, InferCreationAttributes<Device>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare tokenHash: string;
  declare pairedAt: Date;
  declare revokedAt: CreationOptional<Date | null>;
  /** when it last had a screen open, and for whom */
  declare seenAt: CreationOptional<Date | null>;
  declare seenBy: CreationOptional<number | null>;
}

export class PairingCode extends Model<InferAttributes<PairingCode>, InferCreationAttributes<PairingCode>> {
  declare id: CreationOptional<number>;
  declare codeHash: string;
  declare expiresAt: Date;
  declare usesLeft: number;
}

export class Session extends Model<InferAttributes<Session>, InferCreationAttributes<Session>> {
  declare id: CreationOptional<number>;
  declare tokenHash: string;
  declare personId: number;
  declare deviceId: number;
  declare createdAt: Date;
  declare expiresAt: Date;
  declare usedAt: CreationOptional<Date | null>;
  declare endedAt: CreationOptional<Date | null>;
}

export class PinTroubleRow extends Model<
  InferAttributes<PinTroubleRow>,
  InferCreationAttributes<PinTroubleRow>
> {
  declare personId: number;
  declare deviceId: number;
  declare failed: number;
  declare lockedUntil: Date | null;
  declare failedAt: CreationOptional<Date | null>;
}

/** Where a tablet is just now. */
export class Presence extends Model<InferAttributes<Presence>, InferCreationAttributes<Presence>> {
  declare deviceId: number;
  declare personId: number;
  declare jobNumber: number;
  declare leaf: string;
  declare item: string;
  declare seenAt: Date;
}

const settingColumns = () => ({
  name: { type: DataTypes.STRING(60), primaryKey: true },
  value: { type: DataTypes.JSON },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const personColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  name: { type: DataTypes.STRING(80) },
  initials: { type: DataTypes.STRING(4) },
  role: { type: DataTypes.ENUM('desk', 'technician', 'lead', 'owner') },
  pinHash: { type: DataTypes.STRING(255), field: 'pin_hash' },
  skill: { type: DataTypes.STRING(20), defaultValue: 'setup' },
  hours: { type: DataTypes.JSON, defaultValue: null },
  active: { type: DataTypes.BOOLEAN, defaultValue: true },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const deviceColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  name: { type: DataTypes.STRING(80) },
  tokenHash: { type: DataTypes.CHAR(64), field: 'token_hash' },
  pairedAt: { type: DataTypes.DATE(3), field: 'paired_at' },
  revokedAt: { type: DataTypes.DATE(3), field: 'revoked_at', defaultValue: null },
  seenAt: { type: DataTypes.DATE(3), field: 'seen_at', defaultValue: null },
  seenBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'seen_by', defaultValue: null },
});

const pairingCodeColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  codeHash: { type: DataTypes.CHAR(64), field: 'code_hash' },
  expiresAt: { type: DataTypes.DATE(3), field: 'expires_at' },
  usesLeft: { type: DataTypes.INTEGER, field: 'uses_left' },
});

const sessionColumns = () => ({
  id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
  tokenHash: { type: DataTypes.CHAR(64), field: 'token_hash' },
  personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
  deviceId: { type: DataTypes.INTEGER.UNSIGNED, field: 'device_id' },
  createdAt: { type: DataTypes.DATE(3), field: 'created_at' },
  expiresAt: { type: DataTypes.DATE(3), field: 'expires_at' },
  endedAt: { type: DataTypes.DATE(3), field: 'ended_at', defaultValue: null },
  usedAt: { type: DataTypes.DATE(3), field: 'used_at', defaultValue: null },
});

const pinTroubleRowColumns = () => ({
  personId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'person_id' },
  deviceId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'device_id' },
  failed: { type: DataTypes.INTEGER },
  lockedUntil: { type: DataTypes.DATE(3), field: 'locked_until' },
  failedAt: { type: DataTypes.DATE(3), field: 'failed_at', defaultValue: null },
});

const presenceColumns = () => ({
  deviceId: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'device_id' },
  personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
  jobNumber: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_number' },
  leaf: { type: DataTypes.STRING(20) },
  item: { type: DataTypes.STRING(40) },
  seenAt: { type: DataTypes.DATE(3), field: 'seen_at' },
});

/** Binds a connection's own models to it. */
export function initPeople(
  sequelize: Sequelize,
  own: {
    readonly Setting: typeof Setting;
    readonly Person: typeof Person;
    readonly Device: typeof Device;
    readonly PairingCode: typeof PairingCode;
    readonly Session: typeof Session;
    readonly PinTroubleRow: typeof PinTroubleRow;
    readonly Presence: typeof Presence;
  },
): void {
  own.Setting.init(settingColumns(), { sequelize, modelName: 'Setting', tableName: 'settings' });
  own.Person.init(personColumns(), { sequelize, modelName: 'Person', tableName: 'people' });
  own.Device.init(deviceColumns(), { sequelize, modelName: 'Device', tableName: 'devices' });
  own.PairingCode.init(pairingCodeColumns(), {
    sequelize,
    modelName: 'PairingCode',
    tableName: 'pairing_codes',
  });
  own.Session.init(sessionColumns(), { sequelize, modelName: 'Session', tableName: 'sessions' });
  own.PinTroubleRow.init(pinTroubleRowColumns(), {
    sequelize,
    modelName: 'PinTroubleRow',
    tableName: 'pin_troubles',
  });
  own.Presence.init(presenceColumns(), { sequelize, modelName: 'Presence', tableName: 'presence' });
}
