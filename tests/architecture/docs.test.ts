/** What the newcomer's page names is there. */
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const PAGES = ['docs/how-to.md', 'docs/architecture.md', 'CONTRIBUTING.md'] as const;
const named = (page: string): readonly string[] =>
  [
    ...readFileSync(join(process.cwd(), page), 'utf8').matchAll(/`((?:src|tests|docs|cli)\/[^`\s]+\.\w+)`/g),
  ].map((m) => m[1] ?? '');

test.each(PAGES)('every file %s names exists', (page) => {
  expect(named(page).filter((f) => !existsSync(join(process.cwd(), f)))).toEqual([]);
});

test('the newcomer’s page says how to add each of eight things, with files', () => {
  const text = readFileSync(join(process.cwd(), 'docs/how-to.md'), 'utf8');
  const parts = text.split(/^## /m).slice(1);
  expect(parts.map((p) => p.split('\n')[0])).toEqual([
    'A sum',
    'An operation',
    'A kind of instrument',
    'A checklist item',
    'A finding',
    'A command',
    'A panel',
    'A paper',
  ]);
  for (const p of parts) expect([p.split('\n')[0], /`src\/[^`]+`/.test(p)]).toEqual([p.split('\n')[0], true]);
});

test('functions of over sixty lines stand in a list that only shrinks', () => {
  const { overrides } = JSON.parse(readFileSync(join(process.cwd(), '.oxlintrc.json'), 'utf8')) as {
    overrides: { files: string[]; rules: Record<string, unknown> }[];
  };
  const longer = overrides.find((o) => o.rules['eslint/max-lines-per-function'] === 'off');
  const list = longer?.files ?? [];
  expect(list.length).toBeGreaterThan(0);
  expect(list.length).toBeLessThanOrEqual(75);
  expect(list.filter((f) => !existsSync(join(process.cwd(), f)))).toEqual([]);
});
