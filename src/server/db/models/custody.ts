import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize';
import { VIEWS, type View } from '../../../core/instrument/outline.ts';

/** Damage already there: a place on a drawing and words. */
export class Mark extends Model<InferAttributes<Mark>, InferCreationAttributes<Mark>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare view: View;
  declare x: string;
  declare y: string;
  declare words: CreationOptional<string>;
  declare markedBy: number;
  declare markedAt: Date;
  declare removedAt: CreationOptional<Date | null>;
  declare version: CreationOptional<number>;
}

export class Photo extends Model<InferAttributes<Photo>, InferCreationAttributes<Photo>> {
  declare id: CreationOptional<number>;
  declare jobId: number;
  declare markId: number | null;
  declare item: string | null;
  declare digest: string;
  declare width: number;
  declare height: number;
  declare takenBy: number;
  declare takenAt: Date;
  declare removedAt: CreationOptional<Date | null>;
  /** since when the picture itself is no longer kept; what was sealed of it is its digest */
  declare goneAt: CreationOptional<Date | null>;
}

export class PhotoFile extends Model<InferAttributes<PhotoFile>, InferCreationAttributes<PhotoFile>> {
  declare photoId: number;
  declare size: 'whole' | 'small';
  declare bytes: Buffer;
}

/** A file on its way; it stays as a note of what it became, so that a lost answer can be asked for again. */
export class UploadRow extends Model<InferAttributes<UploadRow>, InferCreationAttributes<UploadRow>> {
  declare id: string;
  declare jobId: number;
  declare markId: number | null;
  declare item: string | null;
  declare name: string;
  declare size: number;
  declare received: CreationOptional<number>;
  declare photoId: CreationOptional<number | null>;
  declare personId: number;
  declare begunAt: Date;
}

export class UploadPiece extends Model<InferAttributes<UploadPiece>, InferCreationAttributes<UploadPiece>> {
  declare uploadId: string;
  declare atByte: number;
  declare bytes: Buffer;
}

const id = { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, autoIncrement: true };
const ref = (field: string) => ({ type: DataTypes.INTEGER.UNSIGNED, field });
const moment = (field: string) => ({ type: DataTypes.DATE(3), field });

const markColumns = () => ({
  id,
  jobId: ref('job_id'),
  view: { type: DataTypes.ENUM(...VIEWS) },
  x: { type: DataTypes.DECIMAL(6, 5) },
  y: { type: DataTypes.DECIMAL(6, 5) },
  words: { type: DataTypes.STRING(400), defaultValue: '' },
  markedBy: ref('marked_by'),
  markedAt: moment('marked_at'),
  removedAt: { ...moment('removed_at'), defaultValue: null },
  version: { type: DataTypes.INTEGER, defaultValue: 0 },
});

const photoColumns = () => ({
  id,
  jobId: ref('job_id'),
  markId: ref('mark_id'),
  item: { type: DataTypes.STRING(40) },
  digest: { type: DataTypes.CHAR(64) },
  width: { type: DataTypes.INTEGER.UNSIGNED },
  height: { type: DataTypes.INTEGER.UNSIGNED },
  takenBy: ref('taken_by'),
  takenAt: moment('taken_at'),
  removedAt: { ...moment('removed_at'), defaultValue: null },
  goneAt: { ...moment('gone_at'), defaultValue: null },
});

const photoFileColumns = () => ({
  photoId: { ...ref('photo_id'), primaryKey: true },
  size: { type: DataTypes.ENUM('whole', 'small'), primaryKey: true },
  bytes: { type: DataTypes.BLOB('long') },
});

const uploadRowColumns = () => ({
  id: { type: DataTypes.CHAR(36), primaryKey: true },
  jobId: ref('job_id'),
  markId: ref('mark_id'),
  item: { type: DataTypes.STRING(40) },
  name: { type: DataTypes.STRING(200) },
  size: { type: DataTypes.INTEGER.UNSIGNED },
  received: { type: DataTypes.INTEGER.UNSIGNED, defaultValue: 0 },
  photoId: { ...ref('photo_id'), defaultValue: null },
  personId: ref('person_id'),
  begunAt: moment('begun_at'),
});

const uploadPieceColumns = () => ({
  uploadId: { type: DataTypes.CHAR(36), primaryKey: true, field: 'upload_id' },
  atByte: { type: DataTypes.INTEGER.UNSIGNED, primaryKey: true, field: 'at_byte' },
  bytes: { type: DataTypes.BLOB('medium') },
});

/** Binds a connection's own models to it. */
export function initCustody(
  sequelize: Sequelize,
  own: {
    readonly Mark: typeof Mark;
    readonly Photo: typeof Photo;
    readonly PhotoFile: typeof PhotoFile;
    readonly UploadRow: typeof UploadRow;
    readonly UploadPiece: typeof UploadPiece;
  },
): void {
  own.Mark.init(markColumns(), { sequelize, modelName: 'Mark', tableName: 'marks' });
  own.Photo.init(photoColumns(), { sequelize, modelName: 'Photo', tableName: 'photos' });
  own.PhotoFile.init(photoFileColumns(), { sequelize, modelName: 'PhotoFile', tableName: 'photo_files' });
  own.UploadRow.init(uploadRowColumns(), { sequelize, modelName: 'UploadRow', tableName: 'uploads' });
  own.UploadPiece.init(uploadPieceColumns(), {
    sequelize,
    modelName: 'UploadPiece',
    tableName: 'upload_pieces',
  });
}
