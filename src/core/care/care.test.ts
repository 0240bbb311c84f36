import { describe, expect, test } from 'vitest';
import { HAZARDS } from '../catalogue/hazards.ts';
import { FACTS } from '../instrument/construction-facts.ts';
import { usualConstruction } from '../instrument/defaults.ts';
import { OPERATIONS } from '../catalogue/operations.ts';
import { FINDINGS } from '../inspection/findings.ts';
import {
  careFor,
  cautionsOf,
  homeAdvice,
  judgedBy,
  mayUse,
  SHIPPED_CARE,
  TASK_IDS,
  type ShopCare,
} from './care.ts';
import { MEANS, MEANS_IDS, meansBy, type MeansId } from './means.ts';
import { partsOf, sayPart, SURFACE_IDS, SURFACES, type SurfaceId } from './surfaces.ts';
import { lettersOf, verdictOn } from './verdicts.ts';
import { CARED_ITEMS, CARED_OPERATIONS, careOfInstrument } from './where-it-counts.ts';

describe('the tables are whole', () => {
  test.each(SURFACE_IDS)(
    '%s: a verdict for every means, with its reason where it is not plainly yes',
    (s) => {
      expect(lettersOf(s)).toBe(MEANS_IDS.length);
      for (const m of MEANS_IDS) {
        const { verdict, why } = verdictOn(s, m);
        if (verdict === 'never' || verdict === 'care') expect(why, `${s} ${m}`).not.toBe('');
      }
      // A dry cloth hurts nothing; silicone is never welcome.
      expect(['usual', 'never']).toContain(verdictOn(s, 'dry-cloth').verdict);
      expect(verdictOn(s, 'silicone').verdict).toBe('never');
    },
  );

  test.each(SURFACE_IDS.flatMap((s) => TASK_IDS.map((t) => [s, t] as const)))(
    '%s, %s: what is usual or goes with care, or why nothing does; what never; where to try it',
    (s, t) => {
      const a = careFor(SHIPPED_CARE, s, t);
      const said = [...a.usual, ...a.care, ...a.never];
      expect(new Set(said.map((m) => m.means)).size).toBe(said.length);
      expect(said.length).toBeGreaterThan(0);
      expect(a.first).not.toBe('');
    },
  );

  test('every finish, board and nut an instrument may have is a surface', () => {
    for (const finish of Object.keys(FACTS.finish) as (keyof typeof FACTS.finish)[])
      for (const fingerboard of Object.keys(FACTS.fingerboard) as (keyof typeof FACTS.fingerboard)[])
        for (const p of partsOf({ ...usualConstruction('steel-acoustic'), finish, fingerboard }))
          expect(SURFACES[p.surface].name).not.toBe('');
  });

  test('a finish or a board nobody has looked at is not known, whatever is usual for the kind', () => {
    const c = { ...usualConstruction('bass'), finish: 'poly' as const, fingerboard: 'raw' as const };
    const surfaces = (assumed: ('finish' | 'fingerboard')[]) =>
      partsOf({ ...c, assumed })
        .slice(0, 2)
        .map((p) => p.surface);
    expect(surfaces([])).toEqual(['poly', 'board-raw']);
    expect(surfaces(['finish'])).toEqual(['unknown', 'board-raw']);
    expect(surfaces(['fingerboard'])).toEqual(['poly', 'unknown']);
    expect(
      careOfInstrument(SHIPPED_CARE, { ...c, assumed: ['finish'] }).operations['clean-body']?.[0],
    ).toMatchObject({
      surface: 'unknown',
    });
  });

  test('a part and what it shows, said once', () => {
    expect(sayPart({ part: 'Body and neck', surface: 'shellac' })).toBe('Body and neck: shellac');
    expect(sayPart({ part: 'Frets', surface: 'frets' })).toBe('Frets');
  });

  test('what is dangerous says so wherever it may be used, and what may not be used warns of nothing', () => {
    expect(careFor(SHIPPED_CARE, 'poly', 'degrease').cautions).toEqual([HAZARDS.solvent]);
    expect(careFor(SHIPPED_CARE, 'board-raw', 'moisten').cautions).toEqual([HAZARDS.solvent]);
    expect(careFor(SHIPPED_CARE, 'unknown', 'polish').cautions).toEqual([]);
    expect(cautionsOf(['naphtha', 'alcohol', 'dry-cloth'])).toEqual([HAZARDS.solvent]);
  });

  test('steps and items that ask for it are ones there are', () => {
    for (const id of CARED_OPERATIONS)
      expect(
        OPERATIONS.some((o) => o.id === id),
        id,
      ).toBe(true);
    for (const id of CARED_ITEMS) expect(FINDINGS.has(id), id).toBe(true);
  });
});

describe('what practitioners say', () => {
  test.each<[SurfaceId, MeansId, string]>([
    ['board-raw', 'board-oil', 'usual'],
    ['board-lacquered', 'board-oil', 'never'],
    ['poly', 'polish', 'usual'],
    ['lacquer', 'alcohol', 'never'],
    ['lacquer', 'acetone', 'never'],
    ['lacquer', 'warmth', 'never'],
    ['lacquer', 'naphtha', 'care'],
    ['shellac', 'alcohol', 'never'],
    ['shellac', 'warmth', 'never'],
    ['unknown', 'polish', 'never'],
    ['frets', 'wool', 'usual'],
    ['lacquer', 'wool', 'never'],
    ['gold', 'metal-polish', 'never'],
    ['bare-metal', 'metal-polish', 'usual'],
    ['celluloid', 'warmth', 'never'],
    ['contacts', 'contact-cleaner', 'usual'],
    ['poly', 'contact-cleaner', 'never'],
  ])('%s, %s: %s', (surface, means, verdict) => {
    expect(verdictOn(surface, means).verdict).toBe(verdict);
  });

  test('the tender is never treated more roughly than the hard, whatever nobody knows the most carefully of all', () => {
    const rank = { usual: 0, useless: 0, care: 1, never: 2 } as const;
    for (const m of MEANS_IDS) {
      const of = (s: SurfaceId) => rank[verdictOn(s, m).verdict];
      expect(of('shellac'), m).toBeGreaterThanOrEqual(of('poly'));
      expect(of('lacquer'), m).toBeGreaterThanOrEqual(of('poly'));
      if (m !== 'naphtha') expect(of('unknown'), m).toBeGreaterThanOrEqual(of('shellac'));
      expect(of('gold'), m).toBeGreaterThanOrEqual(of('chrome'));
      expect(of('celluloid'), m).toBeGreaterThanOrEqual(of('plastic') - 1);
    }
  });

  test('a dry board drinks oil, a lacquered one drinks nothing; frets are polished with the board masked', () => {
    const raw = careFor(SHIPPED_CARE, 'board-raw', 'moisten');
    expect(raw.usual.map((m) => m.means)).toEqual(['board-oil']);
    const lacquered = careFor(SHIPPED_CARE, 'board-lacquered', 'moisten');
    expect(lacquered.usual).toEqual([]);
    expect(lacquered.note).toContain('drinks nothing');
    expect(careFor(SHIPPED_CARE, 'frets', 'polish').note).toContain('Mask the board');
  });
});

describe('may I use it on this?', () => {
  test.each<[string, MeansId | null]>([
    ['lighter fluid', 'naphtha'],
    ['Isopropyl alcohol, 90 %', 'alcohol'],
    ['a damp cloth', 'damp-cloth'],
    ['cloth', 'dry-cloth'],
    ['Lemon oil', 'board-oil'],
    ['furniture polish', 'silicone'],
    ['polish', 'polish'],
    ['lacquer thinner', 'acetone'],
    ['nail polish remover', 'acetone'],
    ['window cleaner', 'household'],
    ['baby wipes', 'household'],
    ['baby oil', 'board-oil'],
    ['hot water', 'warmth'],
    ['hair dryer', 'warmth'],
    ['pencils', 'graphite'],
    ['unicorn tears', null],
    ['', null],
  ])('“%s” is %s', (text, means) => {
    expect(meansBy(text)).toBe(means);
  });

  test('every means is found by its own name and by each of its words', () => {
    for (const m of MEANS_IDS) {
      expect(meansBy(MEANS[m].name)).toBe(m);
      for (const word of MEANS[m].words.split(', ')) expect(meansBy(`Some ${word}, please`), word).toBe(m);
    }
  });

  test('the answer says why, and where to try it; what nobody knows is said to be unknown', () => {
    expect(mayUse(SHIPPED_CARE, 'shellac', 'rubbing alcohol')).toMatchObject({
      known: true,
      verdict: 'never',
      why: 'It is what shellac is dissolved in.',
    });
    expect(mayUse(SHIPPED_CARE, 'shellac', 'moon dust')).toEqual({ known: false });
  });
});

describe('the shop’s own word', () => {
  const own: ShopCare = {
    policy: 'full',
    verdicts: [{ surface: 'poly', means: 'naphtha', verdict: 'never', why: 'Not in this house.' }],
    home: { poly: 'Ask us before you polish it.' },
  };
  test('goes before the trade’s, there and nowhere else', () => {
    expect(judgedBy(own, 'poly', 'naphtha')).toEqual({ verdict: 'never', why: 'Not in this house.' });
    expect(judgedBy(own, 'lacquer', 'naphtha').verdict).toBe('care');
    expect(careFor(own, 'poly', 'degrease').never[0]).toMatchObject({ means: 'naphtha' });
    expect(homeAdvice(own, 'poly')).toBe('Ask us before you polish it.');
    expect(homeAdvice(own, 'oil')).toBe(SURFACES.oil.home);
  });

  test('stands at the steps and items of this very instrument', () => {
    const poly = careOfInstrument(own, { ...usualConstruction('solid-electric'), finish: 'poly' });
    expect(poly.operations['clean-body']?.[0]).toMatchObject({ part: 'Body and neck', surface: 'poly' });
    const nylon = careOfInstrument(own, {
      ...usualConstruction('nylon'),
      electronics: 'none',
      fingerboard: 'raw',
    });
    expect(nylon.items['board']?.map((p) => [p.part, p.task])).toEqual([
      ['Fingerboard', 'clean'],
      ['Fingerboard', 'moisten'],
    ]);
    expect(nylon.operations['clean-controls']).toEqual([]);
  });
});
