import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** What can come from a file and be taken out again. */
export type Brought = 'job' | 'instrument' | 'customer' | 'checklist';

/** Something that a file brought in, by the command that did it. */
export class BroughtIn extends Model<InferAttributes<BroughtIn>, InferCreationAttributes<BroughtIn>> {
  declare entity: Brought;
  declare entityId: number;
  declare commandId: string;
}

/** Binds this model to a connection. */
export function initBroughtIn(sequelize: Sequelize, own: { readonly BroughtIn: typeof BroughtIn }): void {
  own.BroughtIn.init(
    {
      entity: { type: DataTypes.ENUM('job', 'instrument', 'customer', 'checklist'), primaryKey: true },
      entityId: { type: DataTypes.INTEGER.UNSIGNED, field: 'entity_id', primaryKey: true },
      commandId: { type: DataTypes.CHAR(36), field: 'command_id' },
    },
    { sequelize, modelName: 'BroughtIn', tableName: 'brought_in' },
  );
}
