import type { Sequelize } from 'sequelize';

const ID = 'INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY';

/** Damage marked on drawings, photos with their pieces on the way, and removed parts in numbered bags. */
const STEPS = [
  `CREATE TABLE marks (
     id ${ID}, job_id INT UNSIGNED NOT NULL, view ENUM('front','back','bass-side','treble-side','head') NOT NULL,
     x DECIMAL(6,5) NOT NULL, y DECIMAL(6,5) NOT NULL, words VARCHAR(400) NOT NULL DEFAULT '', marked_by INT UNSIGNED NOT NULL,
     marked_at DATETIME(3) NOT NULL, removed_at DATETIME(3) NULL, version INT UNSIGNED NOT NULL DEFAULT 0, KEY marks_job (job_id),
     FOREIGN KEY (job_id) REFERENCES jobs(id), FOREIGN KEY (marked_by) REFERENCES people(id),
     CHECK (x BETWEEN 0 AND 1 AND y BETWEEN 0 AND 1)
   ) ENGINE=InnoDB`,
  `CREATE TABLE photos (
     id ${ID}, job_id INT UNSIGNED NOT NULL, mark_id INT UNSIGNED NULL, item VARCHAR(40) NULL, digest CHAR(64) NOT NULL,
     width INT UNSIGNED NOT NULL, height INT UNSIGNED NOT NULL, taken_by INT UNSIGNED NOT NULL, taken_at DATETIME(3) NOT NULL,
     removed_at DATETIME(3) NULL, KEY photos_job (job_id), FOREIGN KEY (job_id) REFERENCES jobs(id),
     FOREIGN KEY (mark_id) REFERENCES marks(id), FOREIGN KEY (taken_by) REFERENCES people(id)
   ) ENGINE=InnoDB`,
  `CREATE TABLE photo_files (
     photo_id INT UNSIGNED NOT NULL, size ENUM('whole','small') NOT NULL, bytes LONGBLOB NOT NULL,
     PRIMARY KEY (photo_id, size), FOREIGN KEY (photo_id) REFERENCES photos(id)
   ) ENGINE=InnoDB`,
  `CREATE TABLE uploads (
     id CHAR(36) NOT NULL PRIMARY KEY, job_id INT UNSIGNED NOT NULL, mark_id INT UNSIGNED NULL, item VARCHAR(40) NULL,
     name VARCHAR(200) NOT NULL, size INT UNSIGNED NOT NULL, received INT UNSIGNED NOT NULL DEFAULT 0, photo_id INT UNSIGNED NULL,
     person_id INT UNSIGNED NOT NULL, begun_at DATETIME(3) NOT NULL, KEY uploads_begun (begun_at), FOREIGN KEY (job_id) REFERENCES jobs(id),
     FOREIGN KEY (mark_id) REFERENCES marks(id), FOREIGN KEY (photo_id) REFERENCES photos(id),
     FOREIGN KEY (person_id) REFERENCES people(id), CHECK (received <= size)
   ) ENGINE=InnoDB`,
  `CREATE TABLE upload_pieces (
     upload_id CHAR(36) NOT NULL, at_byte INT UNSIGNED NOT NULL, bytes MEDIUMBLOB NOT NULL,
     PRIMARY KEY (upload_id, at_byte), FOREIGN KEY (upload_id) REFERENCES uploads(id) ON DELETE CASCADE
   ) ENGINE=InnoDB`,
  `ALTER TABLE job_items ADD COLUMN bag INT UNSIGNED NULL, ADD UNIQUE KEY job_items_bag (job_id, bag)`,
] as const;

/** Brings a shop to damage drawings, photos and bags. */
export async function up(sequelize: Sequelize): Promise<void> {
  for (const step of STEPS) await sequelize.query(step);
}
