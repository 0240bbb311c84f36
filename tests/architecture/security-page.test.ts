/** Every place the page on security names as its proof is there. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

test('what the page on security points at exists', () => {
  const page = readFileSync(join(process.cwd(), 'docs/security.md'), 'utf8');
  const named = [...page.matchAll(/`((?:src|tests|docs)\/[\w./-]+|[\w.-]+\.(?:json|mjs))`/g)].map(
    (m) => m[1] ?? '',
  );
  expect(named.length).toBeGreaterThan(25);
  expect(named.filter((file) => !existsSync(join(process.cwd(), file)))).toEqual([]);
});
