import { cruise } from 'dependency-cruiser';
import extractConfig from 'dependency-cruiser/config-utl/extract-depcruise-config';
import extractTsConfig from 'dependency-cruiser/config-utl/extract-ts-config';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './base/paths.ts';

const LEAST_MODULES = 60;

/** Checks the direction of imports under a folder that holds a `src`; answers the violations, a line each. */
export async function architectureViolations(folder: string): Promise<string[]> {
  const { options, ...ruleSet } = await extractConfig(join(ROOT, '.dependency-cruiser.cjs'));
  const { output } = await cruise(
    ['src', 'cli'].filter((f) => existsSync(join(folder, f))),
    { ...options, ruleSet, validate: true, baseDir: folder },
    undefined,
    { tsConfig: extractTsConfig(join(ROOT, 'tsconfig.json')) },
  );
  if (typeof output === 'string') return [output];
  // A parser that sees nothing finds nothing wrong: that is a failure too.
  if (output.summary.totalCruised < LEAST_MODULES)
    return [`only ${output.summary.totalCruised} modules were seen`];
  return output.summary.violations.map((v) => `${v.rule.name}: ${v.from} → ${v.to}`);
}

const found = await architectureViolations(process.argv[2] ?? ROOT);
for (const line of found) process.stderr.write(`${line}\n`);
process.exit(found.length === 0 ? 0 : 1);
