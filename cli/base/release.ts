import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { ROOT } from './paths.ts';

/** The release that this checkout is. */
export const release = (): string =>
  z.object({ version: z.string() }).parse(JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')))
    .version;
