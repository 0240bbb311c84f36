import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { openDatabase } from '../src/server/db/connection.ts';
import { jobSchema } from '../src/server/exchange/parts.ts';
import { commandFacts, policyPage } from '../src/contracts/commands/facts-page.ts';
import { caseSchema } from '../src/contracts/formats/case.ts';
import { checklistsSchema } from '../src/contracts/formats/checklists.ts';
import { operationsSchema } from '../src/contracts/formats/operations.ts';
import { targetsSchema } from '../src/contracts/formats/targets.ts';
import { sumsReference } from '../src/contracts/sums/reference.ts';
import { ROOT } from './base/paths.ts';

/** Pages that are made from the code, by their file. */
const PAGES: Readonly<Record<string, () => string>> = {
  'docs/sums.md': sumsReference,
  'docs/policy.md': policyPage,
  'src/contracts/made/command-facts.ts': commandFacts,
  // The models are asked for their columns only; nothing is connected to.
  'docs/formats/job.schema.json': () =>
    JSON.stringify(jobSchema(openDatabase('mariadb://nobody@localhost/none').models), null, 2),
  'docs/formats/case.schema.json': () => JSON.stringify(caseSchema(), null, 2),
  'docs/formats/operations.schema.json': () => JSON.stringify(operationsSchema(), null, 2),
  'docs/formats/targets.schema.json': () => JSON.stringify(targetsSchema(), null, 2),
  'docs/formats/checklists.schema.json': () => JSON.stringify(checklistsSchema(), null, 2),
};

/** Writes the pages; with --check it only says whether they are up to date. */
const check = process.argv.includes('--check');
let stale = 0;
for (const [file, make] of Object.entries(PAGES)) {
  const path = join(ROOT, file);
  const wanted = `${make().trimEnd()}\n`;
  if (!check) writeFileSync(path, wanted);
  else if (!existsSync(path) || readFileSync(path, 'utf8') !== wanted) {
    process.stderr.write(`${file} is not what the code says: run npm run docs\n`);
    stale++;
  }
}
process.exit(stale === 0 ? 0 : 1);
