import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import type { KeptOperation } from '../../../core/catalogue/operations.ts';
import type { OfferContent } from '../../../core/plan/options.ts';
import type { Plan } from '../../../core/plan/solve/plans.ts';
import type { Moves } from '../../../core/whatif/moves.ts';

/** Something tried on a neck and kept by a name. It is never a reading. */
export class WhatIf extends Model<InferAttributes<WhatIf>, InferCreationAttributes<WhatIf>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare name: string;
  declare moves: Moves;
  declare madeBy: number;
  declare madeAt: Date;
  declare version: CreationOptional<number>;
}

/** The plan a job goes by, as it was when it was chosen: its predictions stay. */
export class PlanChoice extends Model<InferAttributes<PlanChoice>, InferCreationAttributes<PlanChoice>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare plan: Plan['id'];
  declare content: Plan;
  declare reason: CreationOptional<string>;
  declare chosenBy: number;
  declare chosenAt: Date;
  declare version: CreationOptional<number>;
}

/** What a plan said of a place and what stood there when it was done: kept for learning. mm or cents. */
export class PlanResult extends Model<InferAttributes<PlanResult>, InferCreationAttributes<PlanResult>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare place: string;
  declare predicted: string;
  declare achieved: string;
  declare at: Date;
}

/** Options put before the customer, by a link only they have. */
export class Offer extends Model<InferAttributes<Offer>, InferCreationAttributes<Offer>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare tokenHash: string;
  declare content: OfferContent;
  declare madeBy: number;
  declare madeAt: Date;
  declare expiresAt: Date;
  declare withdrawnAt: CreationOptional<Date | null>;
  declare choice: CreationOptional<string | null>;
  declare choiceBy: CreationOptional<string>;
  declare choiceHow: CreationOptional<string>;
  declare choiceNote: CreationOptional<string>;
  declare chosenAt: CreationOptional<Date | null>;
}

/** A version of the shop's catalogue. */
export class OperationVersion extends Model<
  InferAttributes<OperationVersion>,
  InferCreationAttributes<OperationVersion>
> {
  declare version: number;
  declare operations: readonly KeptOperation[];
  declare note: CreationOptional<string>;
  declare savedBy: number;
  declare savedAt: Date;
}

const id = { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true };
const jobId = { type: DataTypes.INTEGER.UNSIGNED, field: 'job_id' };

const whatIfColumns = () => ({
  id: { ...id },
  jobId: { ...jobId },
  name: { type: DataTypes.STRING(80) },
  moves: { type: DataTypes.JSON },
  madeBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'made_by' },
  madeAt: { type: DataTypes.DATE(3), field: 'made_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const planChoiceColumns = () => ({
  id: { ...id },
  jobId: { ...jobId },
  plan: { type: DataTypes.STRING(20) },
  content: { type: DataTypes.JSON },
  reason: { type: DataTypes.STRING(400), defaultValue: '' },
  chosenBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'chosen_by' },
  chosenAt: { type: DataTypes.DATE(3), field: 'chosen_at' },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const planResultColumns = () => ({
  id: { ...id },
  jobId: { ...jobId },
  place: { type: DataTypes.STRING(40) },
  predicted: { type: DataTypes.DECIMAL(14, 9) },
  achieved: { type: DataTypes.DECIMAL(14, 9) },
  at: { type: DataTypes.DATE(3) },
});

const offerColumns = () => ({
  id: { ...id },
  jobId: { ...jobId },
  tokenHash: { type: DataTypes.CHAR(64), field: 'token_hash' },
  content: { type: DataTypes.JSON },
  madeBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'made_by' },
  madeAt: { type: DataTypes.DATE(3), field: 'made_at' },
  expiresAt: { type: DataTypes.DATE(3), field: 'expires_at' },
  withdrawnAt: { type: DataTypes.DATE(3), field: 'withdrawn_at', defaultValue: null },
  choice: { type: DataTypes.STRING(20), defaultValue: null },
  choiceBy: { type: DataTypes.STRING(120), field: 'choice_by', defaultValue: '' },
  choiceHow: { type: DataTypes.STRING(40), field: 'choice_how', defaultValue: '' },
  choiceNote: { type: DataTypes.STRING(400), field: 'choice_note', defaultValue: '' },
  chosenAt: { type: DataTypes.DATE(3), field: 'chosen_at', defaultValue: null },
});

const operationVersionColumns = () => ({
  version: { type: DataTypes.INTEGER, primaryKey: true },
  operations: { type: DataTypes.JSON },
  note: { type: DataTypes.STRING(200), defaultValue: '' },
  savedBy: { type: DataTypes.INTEGER.UNSIGNED, field: 'saved_by' },
  savedAt: { type: DataTypes.DATE(3), field: 'saved_at' },
});

/** Binds a connection's own models to it. */
export function initPlans(
  sequelize: Sequelize,
  own: {
    readonly WhatIf: typeof WhatIf;
    readonly PlanChoice: typeof PlanChoice;
    readonly PlanResult: typeof PlanResult;
    readonly Offer: typeof Offer;
    readonly OperationVersion: typeof OperationVersion;
  },
): void {
  own.WhatIf.init(whatIfColumns(), { sequelize, modelName: 'WhatIf', tableName: 'what_ifs' });
  own.PlanChoice.init(planChoiceColumns(), { sequelize, modelName: 'PlanChoice', tableName: 'plan_choices' });
  own.PlanResult.init(planResultColumns(), { sequelize, modelName: 'PlanResult', tableName: 'plan_results' });
  own.Offer.init(offerColumns(), { sequelize, modelName: 'Offer', tableName: 'offers' });
  own.OperationVersion.init(operationVersionColumns(), {
    sequelize,
    modelName: 'OperationVersion',
    tableName: 'operation_versions',
  });
}
