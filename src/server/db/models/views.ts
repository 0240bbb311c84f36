import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A view of the list of jobs as somebody keeps it. */
export class SavedView extends Model<InferAttributes<SavedView>, InferCreationAttributes<SavedView>> {
  declare id: CreationOptional<number>;
  declare personId: number;
  declare name: string;
  /** as it stands in the address */
  declare query: string;
  /** columns left out, one after the other with commas */
  declare hidden: CreationOptional<string>;
  declare keptAt: Date;
}

/** Binds a connection's own model to it. */
export function initViews(sequelize: Sequelize, own: { readonly SavedView: typeof SavedView }): void {
  own.SavedView.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      personId: { type: DataTypes.INTEGER.UNSIGNED, field: 'person_id' },
      name: { type: DataTypes.STRING(60) },
      query: { type: DataTypes.STRING(600) },
      hidden: { type: DataTypes.STRING(200), defaultValue: '' },
      keptAt: { type: DataTypes.DATE(3), field: 'kept_at' },
    },
    { sequelize, modelName: 'SavedView', tableName: 'saved_views' },
  );
}
