import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { Answer, ChecklistItem } from '../../../core/inspection/checklist.ts';

export class ChecklistRow extends Model<
  InferAttributes<ChecklistRow>,
  InferCreationAttributes<ChecklistRow>
> {
  declare id: CreationOptional<number>;
  declare list: string;
  declare name: string;
  declare version: number;
  declare ends: readonly string[];
  declare items: readonly ChecklistItem[];
}

export class Inspection extends Model<InferAttributes<Inspection>, InferCreationAttributes<Inspection>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare checklistId: number;
  declare finishedAt: CreationOptional<Date | null>;
  declare finishedBy: CreationOptional<number | null>;
  /** the word it ended in, of those its list ends in */
  declare ending: CreationOptional<string>;
  declare version: CreationOptional<number>;
}

export class InspectionAnswer extends Model<
  InferAttributes<InspectionAnswer>,
  InferCreationAttributes<InspectionAnswer>
> {
  declare id: CreationOptional<number>;
  declare inspectionId: number;
  declare item: string;
  declare answer: Answer | null;
  /** what was found, by its name on the item; null where none was chosen */
  declare finding: CreationOptional<string | null>;
  declare note: string;
  declare answeredBy: number;
  declare answeredAt: Date;
  declare version: CreationOptional<number>;
}

/** Binds a connection's own models to it. */
export function initInspections(
  sequelize: Sequelize,
  own: {
    readonly ChecklistRow: typeof ChecklistRow;
    readonly Inspection: typeof Inspection;
    readonly InspectionAnswer: typeof InspectionAnswer;
  },
): void {
  own.ChecklistRow.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      list: { type: DataTypes.STRING(40) },
      name: { type: DataTypes.STRING(80) },
      version: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
      ends: { type: DataTypes.JSON },
      items: { type: DataTypes.JSON },
    },
    { sequelize, modelName: 'ChecklistRow', tableName: 'checklists' },
  );
  own.Inspection.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      jobId: { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' },
      checklistId: { type: DataTypes.INTEGER.UNSIGNED, field: 'checklist_id' },
      finishedAt: { type: DataTypes.DATE(3), field: 'finished_at', defaultValue: null },
      finishedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'finished_by', defaultValue: null },
      ending: { type: DataTypes.STRING(60), defaultValue: '' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'Inspection', tableName: 'inspections' },
  );
  own.InspectionAnswer.init(
    {
      id: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true },
      inspectionId: { type: DataTypes.INTEGER.UNSIGNED, field: 'inspection_id' },
      item: { type: DataTypes.STRING(40) },
      answer: { type: DataTypes.ENUM('fine', 'watch', 'work', 'na', 'skipped') },
      finding: { type: DataTypes.STRING(40), defaultValue: null },
      note: { type: DataTypes.TEXT },
      answeredBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'answered_by' },
      answeredAt: { type: DataTypes.DATE(3), field: 'answered_at' },
      version: { type: DataTypes.INTEGER, defaultValue: 0 },
    },
    { sequelize, modelName: 'InspectionAnswer', tableName: 'inspection_answers' },
  );
}
