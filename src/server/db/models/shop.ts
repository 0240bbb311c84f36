import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Construction } from '../../../core/instrument/construction.ts';

export class Customer extends Model<InferAttributes<Customer>, InferCreationAttributes<Customer>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare phone: CreationOptional<string>;
  declare email: CreationOptional<string>;
  declare createdAt: Date;
  /** the customer this entry was joined to */
  declare mergedInto: CreationOptional<number | null>;
  /** when their name and how they were reached were withdrawn */
  declare erasedAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

export class Instrument extends Model<InferAttributes<Instrument>, InferCreationAttributes<Instrument>> {
  declare id: CreationOptional<number>;
  declare customerId: number;
  declare kind: string;
  declare maker: CreationOptional<string>;
  declare model: CreationOptional<string>;
  declare year: CreationOptional<string>;
  declare serial: CreationOptional<string>;
  declare scaleMm: string;
  declare construction: Construction;
  /** where a date was found, if not told */
  declare yearFrom: CreationOptional<string>;
  /** since when it hangs on the floor to be sold; null where it does not */
  declare floorSince: CreationOptional<Date | null>;
  /** what it is worth, minor units, where somebody said so */
  declare worthMinor: CreationOptional<number | null>;
  declare mergedInto: CreationOptional<number | null>;
  /** when the acts of its closed visits were last counted; null: they wait for it */
  declare learnedAt: CreationOptional<Date | null>;
  declare createdAt: Date;
  declare version: CreationOptional<number>;
}

export class Place extends Model<InferAttributes<Place>, InferCreationAttributes<Place>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare kind: 'rack' | 'bench';
  declare sort: number;
}

/** A picture of the shop’s own: its logo. */
export class ShopFile extends Model<InferAttributes<ShopFile>, InferCreationAttributes<ShopFile>> {
  declare name: string;
  declare bytes: Buffer;
  declare digest: string;
  declare width: number;
  declare height: number;
}

const shopFileColumns = () => ({
  name: { type: DataTypes.STRING(20), primaryKey: true },
  bytes: { type: DataTypes.BLOB('medium') },
  digest: { type: DataTypes.CHAR(64) },
  width: { type: DataTypes.INTEGER.UNSIGNED },
  height: { type: DataTypes.INTEGER.UNSIGNED },
});

/** Binds a connection's own models to it. */
export function initShop(
  sequelize: Sequelize,
  own: {
    readonly Customer: typeof Customer;
    readonly Instrument: typeof Instrument;
    readonly Place: typeof Place;
  },
): void {
  own.Customer.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      name: { type: DataTypes.STRING(120) },
      phone: { type: DataTypes.STRING(40), defaultValue: '' },
      email: { type: DataTypes.STRING(160), defaultValue: '' },
      mergedInto: { type: DataTypes.INTEGER.UNSIGNED, field: 'merged_into', defaultValue: null },
      erasedAt: { type: DataTypes.DATE(3), field: 'erased_at', defaultValue: null },
      createdAt: { type: DataTypes.DATE(3), field: 'created_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'Customer', tableName: 'customers' },
  );
  own.Instrument.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      customerId: { type: DataTypes.INTEGER.UNSIGNED, field: 'customer_id' },
      kind: { type: DataTypes.STRING(40) },
      maker: { type: DataTypes.STRING(80), defaultValue: '' },
      model: { type: DataTypes.STRING(120), defaultValue: '' },
      year: { type: DataTypes.STRING(20), defaultValue: '' },
      serial: { type: DataTypes.STRING(60), defaultValue: '' },
      scaleMm: { type: DataTypes.DECIMAL(14, 9), field: 'scale_mm' },
      construction: { type: DataTypes.JSON },
      yearFrom: { type: DataTypes.STRING(120), field: 'year_from', defaultValue: '' },
      worthMinor: { type: DataTypes.INTEGER.UNSIGNED, field: 'worth_minor', defaultValue: null },
      floorSince: { type: DataTypes.DATE(3), field: 'floor_since', defaultValue: null },
      learnedAt: { type: DataTypes.DATE(3), field: 'learned_at', defaultValue: null },
      mergedInto: { type: DataTypes.INTEGER.UNSIGNED, field: 'merged_into', defaultValue: null },
      createdAt: { type: DataTypes.DATE(3), field: 'created_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'Instrument', tableName: 'instruments' },
  );
  own.Place.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      name: { type: DataTypes.STRING(40) },
      kind: { type: DataTypes.ENUM('rack', 'bench') },
      sort: { type: DataTypes.INTEGER },
    },
    { sequelize, modelName: 'Place', tableName: 'places' },
  );
}

/** Binds a connection's own pictures of the shop to it. */
export function initShopFiles(sequelize: Sequelize, own: { readonly ShopFile: typeof ShopFile }): void {
  own.ShopFile.init(shopFileColumns(), { sequelize, modelName: 'ShopFile', tableName: 'shop_files' });
}
