import { MIGRATION_NAMES } from '../../src/server/db/migrate.ts';
import { release } from '../base/release.ts';

/** Says which release this is, and which form of the record it keeps. */
export function run(): Promise<number> {
  process.stdout.write(
    `Rubrica ${release()}, record ${MIGRATION_NAMES.at(-1) ?? ''}, Node.js ${process.version}\n`,
  );
  return Promise.resolve(0);
}
