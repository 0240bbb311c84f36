import { toMm } from '../units/length-units.ts';
import type { Construction, StringFact } from './construction.ts';
import type { Kind } from './kinds.ts';

/** Gauges in thou, lowest string first; `w` marks a wound string. Generic sets, the usual one for each kind. */
const set = (spec: string): StringFact[] =>
  spec.split(' ').map((s) => {
    const [note = '', gauge = ''] = s.split(':');
    return { note, gauge: toMm(Number.parseFloat(gauge), 'thou'), wound: gauge.endsWith('w') };
  });

const GUITAR_LIGHT = 'E2:53w A2:42w D3:32w G3:24w B3:16 E4:12';
const ELECTRIC = 'E2:46w A2:36w D3:26w G3:17 B3:13 E4:10';

const ACOUSTIC: Omit<Construction, 'kind'> = {
  leftHanded: false,
  scale: 648,
  compensation: 2.5,
  frets: 20,
  bodyFret: 14,
  perCourse: 1,
  strings: set(GUITAR_LIGHT),
  joint: 'glued',
  rod: 'one-way',
  rodNut: 'soundhole',
  bridge: 'pinned',
  vibrato: 'none',
  nut: 'bone',
  electronics: 'none',
  finish: 'lacquer',
  fingerboard: 'raw',
  radius: { kind: 'single', at: 406.4 },
};

const SOLID: Omit<Construction, 'kind'> = {
  ...ACOUSTIC,
  compensation: 2.5,
  frets: 22,
  bodyFret: 17,
  strings: set(ELECTRIC),
  joint: 'bolted',
  rodNut: 'headstock',
  bridge: 'individual',
  nut: 'synthetic',
  electronics: 'passive',
  finish: 'poly',
  radius: { kind: 'single', at: 304.8 },
};

const DEFAULTS: Readonly<Record<Kind, Omit<Construction, 'kind'>>> = {
  'steel-acoustic': ACOUSTIC,
  'twelve-string': {
    ...ACOUSTIC,
    perCourse: 2,
    rod: 'two-way',
    strings: set('E3:27w E2:47w A3:18 A2:39w D4:12 D3:30w G4:8 G3:23w B3:14 B3:14 E4:10 E4:10'),
  },
  nylon: {
    ...ACOUSTIC,
    scale: 650,
    compensation: 1.5,
    frets: 19,
    bodyFret: 12,
    rod: 'none',
    bridge: 'tie-block',
    finish: 'shellac',
    radius: { kind: 'flat' },
    strings: set('E2:44w A2:36w D3:30w G3:40 B3:33 E4:28'),
  },
  'solid-electric': SOLID,
  'semi-hollow': {
    ...SOLID,
    scale: 628,
    bodyFret: 19,
    joint: 'glued',
    bridge: 'thumbwheel',
    finish: 'lacquer',
  },
  archtop: {
    ...SOLID,
    scale: 635,
    frets: 20,
    bodyFret: 14,
    joint: 'glued',
    bridge: 'floating',
    finish: 'lacquer',
  },
  bass: {
    ...SOLID,
    scale: 864,
    compensation: 3,
    frets: 20,
    bodyFret: 16,
    strings: set('E1:105w A1:85w D2:65w G2:45w'),
  },
  ukulele: {
    ...ACOUSTIC,
    scale: 380,
    compensation: 2,
    frets: 18,
    bodyFret: 14,
    rod: 'none',
    bridge: 'tie-block',
    nut: 'synthetic',
    finish: 'oil',
    radius: { kind: 'flat' },
    strings: set('G4:24 C4:34 E4:29 A4:22'),
  },
};

/** Sensible facts for a kind, to be changed in seconds at the counter. */
export const usualConstruction = (kind: Kind): Construction => ({ kind, ...DEFAULTS[kind] });

/** Says a set by its outer gauges in inches: `.012–.053`. */
export function gaugeSpan(strings: readonly StringFact[]): string {
  const thou = strings.map((s) => Math.round(s.gauge / 0.0254));
  const say = (n: number) => `.${String(n).padStart(3, '0')}`;
  return thou.length === 0 ? 'no strings' : `${say(Math.min(...thou))}–${say(Math.max(...thou))}`;
}

/** Says the open notes, lowest first, without octaves: `E A D G B E`. */
export const tuningName = (strings: readonly StringFact[]): string =>
  strings.map((s) => s.note.replace(/-?\d+$/, '')).join(' ');
