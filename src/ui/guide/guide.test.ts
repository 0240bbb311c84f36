import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { FIRST_STEPS } from '../../core/people/first-day.ts';
import { LEAVES } from '../../core/job/leaves.ts';
import { ANSWER_FACTS } from '../../core/inspection/checklist.ts';
import { findInGuide, GUIDE, WORDS } from './guide-text.ts';
import { helpFor } from './page-help.ts';

const SECTIONS = new Set([...GUIDE.map((s) => s.id), 'words']);

/** Every page of the house, as its path. */
function pages(folder: string, path = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((e) => {
    if (e.isDirectory())
      return pages(
        join(folder, e.name),
        `${path}/${e.name.replace('[number]', '412').replace(/^\[.*\]$/, 'x')}`,
      );
    return e.name === 'page.tsx' ? [path] : [];
  });
}

test('every page of the house says what it is for, and leads to a part of the guide that is there', () => {
  const all = pages(join(process.cwd(), 'src/app/(house)')).filter((p) => p !== '/guide' && p !== '/job/412');
  expect(all.length).toBeGreaterThan(25);
  for (const path of all) {
    const help = helpFor(path);
    expect([path, help.name]).not.toEqual([path, 'Rubrica']);
    expect(SECTIONS).toContain(help.guide);
    expect(help.keys.map((k) => k.keys)).toContain('?');
  }
});

test('each leaf has help of its own, and the inspection names every answer’s key', () => {
  expect(new Set(LEAVES.map((l) => helpFor(`/job/7/${l}`).purpose)).size).toBe(LEAVES.length);
  const keys = helpFor('/job/7/inspection').keys.map((k) => k.keys);
  for (const { key } of Object.values(ANSWER_FACTS)) expect(keys).toContain(key);
});

test('the guide is found by its words, and what nobody says is not there', () => {
  expect(findInGuide('  RELIEF ').words.map((w) => w.word)).toContain('Relief');
  expect(findInGuide('simulated').sections.map((s) => s.id)).toContain('owner-day');
  expect(findInGuide('zyzzy')).toEqual({ sections: [], words: [] });
  expect(findInGuide('')).toEqual({ sections: GUIDE, words: WORDS });
});

test('words stand once, in their order', () => {
  const words = WORDS.map((w) => w.word);
  expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b, 'en')));
  expect(new Set(words).size).toBe(words.length);
});

test('the first day has a way to each of its steps', () => {
  for (const s of FIRST_STEPS) expect(s.href).toMatch(/^\/(?:house|shelf|desk)\//);
});
