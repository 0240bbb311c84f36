/** Cautions as a step shows them: short, usual, and deferring to the product's sheet, local rules and licensed people. */
export const HAZARDS = {
  strings: 'String ends and strings under tension: eyes. Slacken before cutting.',
  dust: 'Bone, metal and wood dust: respirator and extraction, as the safety sheet says.',
  files: 'Thin blades under load: work away from the hand.',
  solvent: 'Flammable: ventilate, no flame, rags as the safety sheet says.',
  heat: 'Hot iron and glue fumes: ventilate, mask the finish, never unattended.',
  quickGlue: 'Quick glue and its accelerator: ventilate, gloves, do not sniff.',
  battery: 'Corroded cells leak acid: gloves and eyes; dispose as the law asks.',
  machine: 'Router, sander or saw: eyes and ears, small parts in a vice, hands behind the blade.',
  drill: 'Drill: depth flag on the bit, tape under it, run in reverse to back out.',
  solder: 'Solder may hold lead, its smoke irritates: ventilate, wash hands.',
  springs: 'Springs under tension: eyes, slacken the strings first.',
  lamp: 'Heat lamp or blanket: it scorches skin and finish and can start a fire; never unattended.',
  steam: 'Steam scalds and blooms the finish: gloves, small doses, mask what is near.',
  clamps: 'A clamped neck can crack: little at a time, look between.',
  mains: 'Anything on the mains is for a licensed person.',
  protected: 'Old shell, ivory and some rosewoods are protected: the law decides what may be done.',
  lacquer: 'Lacquer and its thinner: respirator, no flame, cured as the sheet says.',
} as const;

export type HazardId = keyof typeof HAZARDS;
export const HAZARD_IDS = Object.keys(HAZARDS) as HazardId[];

/** What is worn, and what is switched on or put there, before hands go on. */
export const PROTECTION = {
  eyes: 'eye protection',
  respirator: 'respirator',
  gloves: 'gloves',
  ears: 'ear protection',
  extraction: 'extraction on',
  air: 'windows open or ventilation on',
  'no-flame': 'no flame, no heat, no spark near',
  vice: 'small parts in a vice',
  off: 'mains unplugged',
  watch: 'somebody stays with it',
} as const;
export type ProtectionId = keyof typeof PROTECTION;

/** What is worked on or with. */
export const MATERIALS = {
  wood: 'wood',
  rosewood: 'rosewood, ebony',
  bone: 'bone, antler, shell',
  ivory: 'ivory, tortoiseshell',
  metal: 'fret wire, brass, steel',
  strings: 'strings',
  springs: 'springs',
  glue: 'hide glue, wood glue, epoxy',
  'quick-glue': 'cyanoacrylate and its accelerator',
  lacquer: 'lacquer, thinner, stain',
  solvent: 'naphtha, alcohol, cleaners',
  oil: 'oils',
  solder: 'solder, old joints',
  battery: 'batteries',
  mains: 'mains current',
} as const;
export type MaterialId = keyof typeof MATERIALS;

/** What is done. */
export const ACTS = {
  cut: 'cut, file, scrape',
  sand: 'sand, level, polish by machine',
  rout: 'rout, saw',
  drill: 'drill, ream',
  glue: 'glue',
  spray: 'spray, brush on',
  clean: 'clean, degrease',
  warm: 'warm, steam, iron',
  clamp: 'clamp, bend',
  solder: 'solder',
  loosen: 'slacken, take off, put on',
  repair: 'repair, measure inside',
} as const;
export type ActId = keyof typeof ACTS;

interface Danger {
  readonly materials: readonly MaterialId[];
  readonly acts: readonly ActId[];
  readonly needs: readonly ProtectionId[];
}

/** What each caution is about, and what it asks to be worn or switched on. */
export const DANGERS: Readonly<Record<HazardId, Danger>> = {
  strings: { materials: ['strings'], acts: ['loosen', 'cut'], needs: ['eyes'] },
  dust: {
    materials: ['wood', 'rosewood', 'bone', 'ivory', 'metal'],
    acts: ['cut', 'sand', 'rout', 'drill'],
    needs: ['respirator', 'extraction', 'eyes'],
  },
  files: { materials: ['wood', 'rosewood', 'bone', 'metal'], acts: ['cut'], needs: [] },
  solvent: {
    materials: ['solvent', 'oil'],
    acts: ['clean', 'loosen'],
    needs: ['air', 'gloves', 'no-flame'],
  },
  heat: { materials: ['glue'], acts: ['warm', 'glue'], needs: ['air', 'watch'] },
  quickGlue: { materials: ['quick-glue'], acts: ['glue', 'warm'], needs: ['air', 'gloves', 'eyes'] },
  battery: { materials: ['battery'], acts: ['clean', 'loosen'], needs: ['gloves', 'eyes'] },
  machine: {
    materials: ['wood', 'rosewood', 'bone', 'metal'],
    acts: ['sand', 'rout'],
    needs: ['eyes', 'ears', 'respirator', 'extraction', 'vice'],
  },
  drill: { materials: ['wood', 'rosewood', 'bone', 'metal'], acts: ['drill'], needs: ['eyes', 'vice'] },
  solder: { materials: ['solder'], acts: ['solder', 'repair'], needs: ['eyes', 'air'] },
  springs: { materials: ['springs', 'strings'], acts: ['loosen'], needs: ['eyes'] },
  lamp: { materials: ['wood', 'rosewood', 'lacquer'], acts: ['warm'], needs: ['gloves', 'watch'] },
  steam: { materials: ['wood', 'glue'], acts: ['warm'], needs: ['gloves', 'eyes'] },
  clamps: { materials: ['wood', 'rosewood'], acts: ['clamp'], needs: [] },
  mains: { materials: ['mains'], acts: ['repair', 'solder', 'clean'], needs: ['off'] },
  protected: { materials: ['ivory', 'rosewood'], acts: ['cut', 'sand', 'rout', 'drill'], needs: [] },
  lacquer: {
    materials: ['lacquer'],
    acts: ['spray', 'clean', 'sand'],
    needs: ['respirator', 'air', 'no-flame', 'gloves'],
  },
};

/** The cautions of a material and an act; either may be left open. */
export const hazardsOf = (material: MaterialId | null, act: ActId | null): readonly HazardId[] =>
  HAZARD_IDS.filter(
    (id) =>
      (material === null || DANGERS[id].materials.includes(material)) &&
      (act === null || DANGERS[id].acts.includes(act)),
  );

/** What a step needs worn or switched on, by the cautions it shows; the shop's own words name nothing. */
export function protectionFor(cautions: readonly string[]): readonly ProtectionId[] {
  const shown = new Set(
    HAZARD_IDS.filter((id) => cautions.includes(HAZARDS[id])).flatMap((id) => DANGERS[id].needs),
  );
  return (Object.keys(PROTECTION) as ProtectionId[]).filter((p) => shown.has(p));
}
