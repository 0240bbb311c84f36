import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { home } from './paths.ts';

/** The file that says of a home that it holds a copy to look at. */
export const LOOK_ONLY = 'look-only.json';

/** When the copy in this home was made, where it holds one to look at; else null. */
export function lookOnlyOf(): string | null {
  const file = join(home(), LOOK_ONLY);
  if (!existsSync(file)) return null;
  return z.object({ taken: z.string() }).parse(JSON.parse(readFileSync(file, 'utf8'))).taken;
}
