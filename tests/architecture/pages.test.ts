import { globSync, readFileSync } from 'node:fs';

/** Pages that say no day: they lead elsewhere, or somebody is not in yet. */
const SAY_NO_DAY: readonly string[] = [
  'src/app/page.tsx',
  'src/app/no-permission/page.tsx',
  'src/app/pair/page.tsx',
  'src/app/sign-in/page.tsx',
  'src/app/(house)/job/[number]/page.tsx',
];

const pages = globSync('src/app/**/page.tsx');

test('a page says days as the shop does: it asks who looks, or for the shop’s days, before it draws', () => {
  expect(pages.length).toBeGreaterThan(50);
  expect(
    pages.filter(
      (p) =>
        !/\b(?:requireActor|shopDays|leafPage|LeafPage)\(|<LeafPage/.test(readFileSync(p, 'utf8')) &&
        !SAY_NO_DAY.includes(p),
    ),
  ).toEqual([]);
});

test('whoever is asked for brings the shop’s days along', () => {
  expect(readFileSync('src/app/_lib/session.ts', 'utf8')).toMatch(/Promise\.all\(\[[^\]]*shopDays\(\)/);
});
