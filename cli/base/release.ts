import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { ROOT } from './paths.ts';

/** What stands in a release archive and not in a checkout. */
export const PACKED = '.packed';

/** Whether this is a release archive: built, with its packages. */
export const isPacked = (): boolean => existsSync(join(ROOT, PACKED));

/** The release that this checkout is. */
export const release = (): string =>
  z.object({ version: z.string() }).parse(JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')))
    .version;
