import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** How a supplier is reached, and how many days they usually take. */
export class Supplier extends Model<InferAttributes<Supplier>, InferCreationAttributes<Supplier>> {
  declare id: CreationOptional<number>;
  declare name: string;
  declare email: CreationOptional<string>;
  declare days: CreationOptional<number | null>;
  declare version: CreationOptional<number>;
}

/** An order at a supplier; it is only written until it went out. */
export class OrderHead extends Model<InferAttributes<OrderHead>, InferCreationAttributes<OrderHead>> {
  declare id: CreationOptional<number>;
  declare supplier: string;
  declare note: CreationOptional<string>;
  /** `yyyy-mm-dd` */
  declare expected: CreationOptional<string | null>;
  declare orderedAt: CreationOptional<Date | null>;
  /** by e-mail of the house, or by the shop's own way */
  declare orderedHow: CreationOptional<'' | 'mail' | 'own'>;
  declare endedAt: CreationOptional<Date | null>;
  declare madeBy: number;
  declare madeAt: Date;
  declare version: CreationOptional<number>;
}

/** So many of an item on an order, and how many of them came. */
export class OrderLine extends Model<InferAttributes<OrderLine>, InferCreationAttributes<OrderLine>> {
  declare id: CreationOptional<number>;
  declare orderId: number;
  declare itemId: number;
  declare quantity: string;
  declare came: CreationOptional<string>;
}

/** What a job waits for that is not here. */
export class StockWantRow extends Model<
  InferAttributes<StockWantRow>,
  InferCreationAttributes<StockWantRow>
> {
  declare id: CreationOptional<number>;
  declare itemId: number;
  declare jobId: number;
  /** the line that takes it; null where it is for the whole job */
  declare lineId: CreationOptional<number | null>;
  declare quantity: string;
  declare askedAt: Date;
}

const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true });
const number = (field: string) => ({ type: DataTypes.INTEGER.UNSIGNED, field });
const many = (field: string) => ({ type: DataTypes.DECIMAL(8, 2), field });
const moment = (field: string) => ({ type: DataTypes.DATE(3), field });
const words = (length: number) => ({ type: DataTypes.STRING(length), defaultValue: '' });
const version = () => ({ type: DataTypes.INTEGER, defaultValue: 1 });

/** Binds a connection's own models to it. */
export function initOrders(
  sequelize: Sequelize,
  own: {
    readonly Supplier: typeof Supplier;
    readonly OrderHead: typeof OrderHead;
    readonly OrderLine: typeof OrderLine;
    readonly StockWantRow: typeof StockWantRow;
  },
): void {
  own.Supplier.init(
    {
      id: id(),
      name: { type: DataTypes.STRING(80) },
      email: words(160),
      days: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: null },
      version: version(),
    },
    { sequelize, modelName: 'Supplier', tableName: 'stock_suppliers' },
  );
  own.OrderHead.init(
    {
      id: id(),
      supplier: { type: DataTypes.STRING(80) },
      note: words(200),
      expected: { type: DataTypes.DATEONLY, defaultValue: null },
      orderedAt: { ...moment('ordered_at'), defaultValue: null },
      orderedHow: { type: DataTypes.ENUM('', 'mail', 'own'), field: 'ordered_how', defaultValue: '' },
      endedAt: { ...moment('ended_at'), defaultValue: null },
      madeBy: number('made_by'),
      madeAt: moment('made_at'),
      version: version(),
    },
    { sequelize, modelName: 'OrderHead', tableName: 'stock_orders' },
  );
  own.OrderLine.init(
    {
      id: id(),
      orderId: number('order_id'),
      itemId: number('item_id'),
      quantity: many('quantity'),
      came: { ...many('came'), defaultValue: '0' },
    },
    { sequelize, modelName: 'OrderLine', tableName: 'stock_order_rows' },
  );
  own.StockWantRow.init(
    {
      id: id(),
      itemId: number('item_id'),
      jobId: number('job_id'),
      lineId: { ...number('line_id'), defaultValue: null },
      quantity: many('quantity'),
      askedAt: moment('asked_at'),
    },
    { sequelize, modelName: 'StockWantRow', tableName: 'stock_wants' },
  );
}
