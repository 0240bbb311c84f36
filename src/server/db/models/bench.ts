import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';

/** A note or a question on a job, with the answer that stays. From a person of the shop, or the customer by a link. */
export class Remark extends Model<InferAttributes<Remark>, InferCreationAttributes<Remark>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare lineId: CreationOptional<number | null>;
  declare kind: 'note' | 'question';
  declare words: string;
  declare byPerson: CreationOptional<number | null>;
  declare byCustomer: CreationOptional<string>;
  declare toPerson: CreationOptional<number | null>;
  declare at: Date;
  declare answer: CreationOptional<string | null>;
  declare answeredBy: CreationOptional<number | null>;
  declare answeredAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

/** What rings a person's bell. */
export class Notice extends Model<InferAttributes<Notice>, InferCreationAttributes<Notice>> {
  declare id: CreationOptional<number>;
  declare personId: number;
  declare jobId: number;
  declare kind: 'question' | 'answer' | 'mention' | 'handed' | 'customer' | 'part';
  declare words: string;
  declare at: Date;
  declare seenAt: CreationOptional<Date | null>;
}

/** A job given into a colleague's hands, with what they must know. */
export class HandOn extends Model<InferAttributes<HandOn>, InferCreationAttributes<HandOn>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare fromPerson: number;
  declare toPerson: number;
  declare state: string;
  declare tried: string;
  declare beware: string;
  /** places that were stale then, by their labels */
  declare stale: readonly string[];
  declare at: Date;
}

/** Something that went wrong at the bench, written down when it happened. */
export class Accident extends Model<InferAttributes<Accident>, InferCreationAttributes<Accident>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare lineId: CreationOptional<number | null>;
  declare happened: string;
  declare remedy: string;
  declare recordedBy: number;
  declare at: Date;
  declare version: CreationOptional<number>;
}

/** A way in for the customer: it opens one job's estimate or sheet, ends, and can be taken back. */
export class CustomerLink extends Model<
  InferAttributes<CustomerLink>,
  InferCreationAttributes<CustomerLink>
> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare purpose: 'estimate' | 'sheet';
  declare tokenHash: string;
  declare madeBy: number;
  declare madeAt: Date;
  declare expiresAt: Date;
  declare withdrawnAt: CreationOptional<Date | null>;
}

/** A signature the job was reopened after: its record stays as it was sealed, and the next seal is chained to it. */
export class EarlierSeal extends Model<InferAttributes<EarlierSeal>, InferCreationAttributes<EarlierSeal>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare number: number;
  declare record: string;
  declare shown: string | null;
  declare digest: string;
  declare signer: string;
  declare signature: string | null;
  declare signedAt: Date;
  /** what the customer asked for, in their words */
  declare tweak: string;
  /** inside the shop's window: without a new charge */
  declare free: boolean;
  declare reopenedBy: number;
  declare reopenedAt: Date;
  /** what its text gives since names were withdrawn from it */
  declare keptDigest: CreationOptional<string | null>;
}

/** A message to a customer, or an order to a supplier, on its way through the gateway. */
export class MessageRow extends Model<InferAttributes<MessageRow>, InferCreationAttributes<MessageRow>> {
  declare id: CreationOptional<number>;
  /** null where it goes to a supplier */
  declare jobId: number | null;
  declare purpose: string;
  declare channel: 'mail' | 'text' | 'call';
  declare address: string;
  declare subject: string;
  declare body: string;
  declare calendar: CreationOptional<string | null>;
  /** the link its words carry; who opens it is said only in what leaves the house */
  declare linkId: CreationOptional<number | null>;
  /** the order it is the letter of */
  declare orderId: CreationOptional<number | null>;
  declare state: CreationOptional<'waiting' | 'delivered' | 'failed'>;
  declare trouble: CreationOptional<string>;
  declare tries: CreationOptional<number>;
  declare madeBy: number;
  declare madeAt: Date;
  declare dueAt: Date;
  /** who is sending it now, and until when they are trusted to */
  declare claim: CreationOptional<string | null>;
  declare claimedUntil: CreationOptional<Date | null>;
  /** what it went by: simulated, smtp, webhook */
  declare wentBy: CreationOptional<string>;
  declare doneAt: CreationOptional<Date | null>;
}

const id = () => ({ type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true });
const ref = (field: string) => ({ type: DataTypes.INTEGER.UNSIGNED, field });
const noRef = (field: string) => ({ ...ref(field), defaultValue: null });
const moment = (field: string) => ({ type: DataTypes.DATE(3), field });
const noMoment = (field: string) => ({ ...moment(field), defaultValue: null });
const version = () => ({ type: DataTypes.INTEGER, defaultValue: 0 });

function initWords(
  sequelize: Sequelize,
  own: {
    readonly Remark: typeof Remark;
    readonly Notice: typeof Notice;
    readonly HandOn: typeof HandOn;
    readonly Accident: typeof Accident;
  },
): void {
  own.Remark.init(remarkColumns(), { sequelize, modelName: 'Remark', tableName: 'remarks' });
  own.Notice.init(noticeColumns(), { sequelize, modelName: 'Notice', tableName: 'notices' });
  own.HandOn.init(handOnColumns(), { sequelize, modelName: 'HandOn', tableName: 'hand_ons' });
  own.Accident.init(accidentColumns(), { sequelize, modelName: 'Accident', tableName: 'accidents' });
}

const remarkColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  lineId: noRef('line_id'),
  kind: { type: DataTypes.ENUM('note', 'question') },
  words: { type: DataTypes.TEXT },
  byPerson: noRef('by_person'),
  byCustomer: { type: DataTypes.STRING(120), field: 'by_customer', defaultValue: '' },
  toPerson: noRef('to_person'),
  at: moment('at'),
  answer: { type: DataTypes.TEXT, defaultValue: null },
  answeredBy: noRef('answered_by'),
  answeredAt: noMoment('answered_at'),
  version: version(),
});

const noticeColumns = () => ({
  id: id(),
  personId: ref('person_id'),
  jobId: ref('job_id'),
  kind: { type: DataTypes.STRING(20) },
  words: { type: DataTypes.STRING(240) },
  at: moment('at'),
  seenAt: noMoment('seen_at'),
});

const handOnColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  fromPerson: ref('from_person'),
  toPerson: ref('to_person'),
  state: { type: DataTypes.TEXT },
  tried: { type: DataTypes.TEXT },
  beware: { type: DataTypes.TEXT },
  stale: { type: DataTypes.JSON },
  at: moment('at'),
});

const accidentColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  lineId: noRef('line_id'),
  happened: { type: DataTypes.TEXT },
  remedy: { type: DataTypes.TEXT },
  recordedBy: ref('recorded_by'),
  at: moment('at'),
  version: version(),
});

const customerLinkColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  purpose: { type: DataTypes.ENUM('estimate', 'sheet') },
  tokenHash: { type: DataTypes.CHAR(64), field: 'token_hash' },
  madeBy: ref('made_by'),
  madeAt: moment('made_at'),
  expiresAt: moment('expires_at'),
  withdrawnAt: noMoment('withdrawn_at'),
});

const earlierSealColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  number: { type: DataTypes.INTEGER.UNSIGNED },
  record: { type: DataTypes.TEXT('long') },
  shown: { type: DataTypes.TEXT('long') },
  digest: { type: DataTypes.CHAR(64) },
  signer: { type: DataTypes.STRING(120) },
  signature: { type: DataTypes.TEXT('medium') },
  signedAt: moment('signed_at'),
  tweak: { type: DataTypes.TEXT },
  free: { type: DataTypes.BOOLEAN },
  reopenedBy: ref('reopened_by'),
  reopenedAt: moment('reopened_at'),
  keptDigest: { type: DataTypes.CHAR(64), field: 'kept_digest', defaultValue: null },
});

const messageRowColumns = () => ({
  id: id(),
  jobId: ref('job_id'),
  purpose: { type: DataTypes.STRING(40) },
  channel: { type: DataTypes.ENUM('mail', 'text', 'call') },
  address: { type: DataTypes.STRING(160) },
  subject: { type: DataTypes.STRING(160) },
  body: { type: DataTypes.TEXT },
  calendar: { type: DataTypes.TEXT, defaultValue: null },
  linkId: noRef('link_id'),
  orderId: noRef('order_id'),
  state: { type: DataTypes.ENUM('waiting', 'delivered', 'failed'), defaultValue: 'waiting' },
  trouble: { type: DataTypes.STRING(200), defaultValue: '' },
  tries: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
  claim: { type: DataTypes.CHAR(36), defaultValue: null },
  claimedUntil: { type: DataTypes.DATE(3), field: 'claimed_until', defaultValue: null },
  wentBy: { type: DataTypes.STRING(20), field: 'went_by', defaultValue: '' },
  madeBy: ref('made_by'),
  madeAt: moment('made_at'),
  dueAt: moment('due_at'),
  doneAt: noMoment('done_at'),
});

/** Binds a connection's own models to it. */
export function initBench(
  sequelize: Sequelize,
  own: {
    readonly Remark: typeof Remark;
    readonly Notice: typeof Notice;
    readonly HandOn: typeof HandOn;
    readonly Accident: typeof Accident;
    readonly CustomerLink: typeof CustomerLink;
    readonly EarlierSeal: typeof EarlierSeal;
    readonly MessageRow: typeof MessageRow;
  },
): void {
  initWords(sequelize, own);
  own.CustomerLink.init(customerLinkColumns(), {
    sequelize,
    modelName: 'CustomerLink',
    tableName: 'customer_links',
  });
  own.EarlierSeal.init(earlierSealColumns(), { sequelize, modelName: 'EarlierSeal', tableName: 'seals' });
  own.MessageRow.init(messageRowColumns(), { sequelize, modelName: 'MessageRow', tableName: 'messages' });
}
