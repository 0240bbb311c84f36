/** What people clean, feed and polish with. The order is that of the rows of verdicts. */
export const MEANS = {
  'dry-cloth': { name: 'a soft dry cloth', words: 'dry cloth, cloth, microfibre, cotton, brush, duster' },
  'damp-cloth': { name: 'a cloth just damp with water', words: 'damp cloth, water, wet cloth, spit' },
  soap: { name: 'a drop of mild soap in water', words: 'soap, washing-up liquid, dish soap, detergent' },
  'board-oil': { name: 'board oil (a mineral oil)', words: 'board oil, mineral oil, lemon oil, baby oil' },
  'drying-oil': {
    name: 'an oil that dries (linseed, tung)',
    words: 'linseed, tung, drying oil, teak oil, walnut oil, olive oil',
  },
  polish: { name: 'a polish without silicone', words: 'polish, instrument polish, body polish' },
  silicone: {
    name: 'anything with silicone',
    words: 'silicone, furniture polish, furniture spray, car polish',
  },
  wax: { name: 'a hard wax', words: 'wax, carnauba, beeswax' },
  compound: { name: 'rubbing compound', words: 'compound, rubbing compound, cutting paste, toothpaste' },
  wool: { name: 'the finest steel wool', words: 'steel wool, wire wool' },
  abrasive: {
    name: 'the finest abrasive paper or pad',
    words: 'abrasive, sandpaper, emery, micro mesh, scouring pad, eraser',
  },
  naphtha: {
    name: 'naphtha',
    words: 'naphtha, lighter fluid, lighter petrol, white spirit, petrol, benzine',
  },
  alcohol: {
    name: 'alcohol',
    words: 'alcohol, isopropyl, ethanol, rubbing alcohol, methylated spirits, spirit, hand sanitiser',
  },
  acetone: {
    name: 'acetone or thinner',
    words: 'acetone, thinner, lacquer thinner, nail varnish remover, nail polish remover',
  },
  household: {
    name: 'household or glass cleaner',
    words:
      'household cleaner, glass cleaner, window cleaner, kitchen cleaner, ammonia, bleach, wet wipes, baby wipes',
  },
  'metal-polish': { name: 'metal polish', words: 'metal polish, brass polish, silver polish, chrome polish' },
  'contact-cleaner': { name: 'contact cleaner', words: 'contact cleaner, contact spray, switch cleaner' },
  graphite: { name: 'graphite', words: 'graphite, pencil, dry lubricant' },
  acid: { name: 'vinegar or another acid', words: 'vinegar, acid, lemon juice, rust remover, cola' },
  warmth: {
    name: 'warmth: a lamp, an iron',
    words: 'heat, warmth, lamp, iron, hair dryer, hot water, steam',
  },
} as const satisfies Readonly<Record<string, { readonly name: string; readonly words: string }>>;

export type MeansId = keyof typeof MEANS;
export const MEANS_IDS = Object.keys(MEANS) as MeansId[];

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/**
 * The means a few words name; the longest that is found in them wins: a damp cloth is no dry one, lacquer thinner no lacquer.
 * @returns null where nobody here knows it
 */
export function meansBy(text: string): MeansId | null {
  const asked = ` ${plain(text)} `;
  let found: MeansId | null = null;
  let length = 0;
  for (const id of MEANS_IDS)
    for (const word of [MEANS[id].name, ...MEANS[id].words.split(', ')].map(plain))
      if (word.length > length && (asked.includes(` ${word} `) || asked.includes(` ${word}s `))) {
        found = id;
        length = word.length;
      }
  return found;
}
