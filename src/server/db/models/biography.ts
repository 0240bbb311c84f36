import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { OriginalPart, PartState } from '../../../core/learn/originality.ts';
import type { WatchedId } from '../../../core/learn/watched.ts';
import type { AfterOutcome } from '../../../core/desk/afterwards.ts';

/** Something watched on an instrument, with its limit, mm. */
export class Watch extends Model<InferAttributes<Watch>, InferCreationAttributes<Watch>> {
  declare id: CreationOptional<number>;
  declare instrumentId: number;
  declare what: WatchedId;
  declare limit: string;
  declare side: 'above' | 'below';
  declare note: CreationOptional<string>;
  declare madeBy: number;
  declare madeAt: Date;
  declare endedBy: CreationOptional<number | null>;
  declare endedAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

/** What came of calling an instrument's owner about something afterwards. */
export class Afterward extends Model<InferAttributes<Afterward>, InferCreationAttributes<Afterward>> {
  declare id: CreationOptional<number>;
  declare instrumentId: number;
  /** `check:401`, `watch:3`, `season:2027` */
  declare source: string;
  declare outcome: AfterOutcome;
  declare note: CreationOptional<string>;
  declare againOn: CreationOptional<string | null>;
  declare madeBy: number;
  declare madeAt: Date;
}

/** Whether a part is original, and by what that is known. */
export class Originality extends Model<InferAttributes<Originality>, InferCreationAttributes<Originality>> {
  declare instrumentId: number;
  declare part: OriginalPart;
  declare state: PartState;
  declare knownBy: CreationOptional<string>;
  declare lookedUp: CreationOptional<string>;
  declare saidBy: number;
  declare saidAt: Date;
  declare version: CreationOptional<number>;
}

/** A part of an instrument that is kept, with its place; gone when it was given back or used. */
export class KeptPart extends Model<InferAttributes<KeptPart>, InferCreationAttributes<KeptPart>> {
  declare id: CreationOptional<number>;
  declare instrumentId: number;
  declare name: string;
  declare place: string;
  declare measures: CreationOptional<string>;
  declare keptBy: number;
  declare keptAt: Date;
  declare gone: CreationOptional<string>;
  declare goneAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

/** A part inside an instrument: its value, and which wire goes where. */
export class InsidePart extends Model<InferAttributes<InsidePart>, InferCreationAttributes<InsidePart>> {
  declare id: CreationOptional<number>;
  declare instrumentId: number;
  declare name: string;
  declare value: CreationOptional<string>;
  declare wires: CreationOptional<string>;
  declare note: CreationOptional<string>;
  declare saidBy: number;
  declare saidAt: Date;
  declare gone: CreationOptional<string>;
  declare goneAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true });
const number = (field: string) => ({ type: DataTypes.INTEGER.UNSIGNED, field });
const moment = (field: string) => ({ type: DataTypes.DATE(3), field });
const words = (length: number, field: string) => ({
  type: DataTypes.STRING(length),
  field,
  defaultValue: '',
});
const version = () => ({ type: DataTypes.INTEGER, defaultValue: 0 });

const watchColumns = () => ({
  id: id(),
  instrumentId: number('instrument_id'),
  what: { type: DataTypes.STRING(20) },
  limit: { type: DataTypes.DECIMAL(12, 9), field: 'limit_mm' },
  side: { type: DataTypes.ENUM('above', 'below') },
  note: words(200, 'note'),
  madeBy: number('made_by'),
  madeAt: moment('made_at'),
  endedBy: { ...number('ended_by'), defaultValue: null },
  endedAt: { ...moment('ended_at'), defaultValue: null },
  version: version(),
});

const afterwardColumns = () => ({
  id: id(),
  instrumentId: number('instrument_id'),
  source: { type: DataTypes.STRING(40) },
  outcome: { type: DataTypes.ENUM('coming', 'later', 'written', 'no-answer', 'never') },
  note: words(200, 'note'),
  againOn: { type: DataTypes.DATEONLY, field: 'again_on', defaultValue: null },
  madeBy: number('made_by'),
  madeAt: moment('made_at'),
});

const originalityColumns = () => ({
  instrumentId: { ...number('instrument_id'), primaryKey: true },
  part: { type: DataTypes.STRING(20), primaryKey: true },
  state: { type: DataTypes.ENUM('original', 'replaced', 'unknown') },
  knownBy: words(200, 'known_by'),
  lookedUp: words(300, 'looked_up'),
  saidBy: number('said_by'),
  saidAt: moment('said_at'),
  version: { type: DataTypes.INTEGER, defaultValue: 1 },
});

const insidePartColumns = () => ({
  id: id(),
  instrumentId: number('instrument_id'),
  name: { type: DataTypes.STRING(120) },
  value: words(80, 'value'),
  wires: words(500, 'wires'),
  note: words(300, 'note'),
  saidBy: number('said_by'),
  saidAt: moment('said_at'),
  gone: words(200, 'gone'),
  goneAt: { ...moment('gone_at'), defaultValue: null },
  version: version(),
});

const keptPartColumns = () => ({
  id: id(),
  instrumentId: number('instrument_id'),
  name: { type: DataTypes.STRING(120) },
  place: { type: DataTypes.STRING(120) },
  measures: words(300, 'measures'),
  keptBy: number('kept_by'),
  keptAt: moment('kept_at'),
  gone: words(200, 'gone'),
  goneAt: { ...moment('gone_at'), defaultValue: null },
  version: version(),
});

/** Binds a connection's own models to it. */
export function initBiography(
  sequelize: Sequelize,
  own: {
    readonly Watch: typeof Watch;
    readonly Afterward: typeof Afterward;
    readonly Originality: typeof Originality;
    readonly KeptPart: typeof KeptPart;
    readonly InsidePart: typeof InsidePart;
  },
): void {
  own.Watch.init(watchColumns(), { sequelize, modelName: 'Watch', tableName: 'watches' });
  own.Afterward.init(afterwardColumns(), { sequelize, modelName: 'Afterward', tableName: 'afterwards' });
  own.Originality.init(originalityColumns(), {
    sequelize,
    modelName: 'Originality',
    tableName: 'originality',
  });
  own.KeptPart.init(keptPartColumns(), { sequelize, modelName: 'KeptPart', tableName: 'kept_parts' });
  own.InsidePart.init(insidePartColumns(), { sequelize, modelName: 'InsidePart', tableName: 'inside_parts' });
}
