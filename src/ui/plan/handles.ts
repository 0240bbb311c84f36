import {
  hasOwnSaddles,
  isAdjustable,
  stringName,
  type Construction,
} from '../../core/instrument/construction.ts';
import { scaleOf } from '../../core/instrument/scales.ts';
import { fretPosition } from '../../core/neck/fret-position.ts';
import { withString, type Moves } from '../../core/whatif/moves.ts';
import type { Outcome } from '../../core/whatif/consequences.ts';

/** One thing that can be moved on the drawing. Amounts in mm, up positive. */
export interface Handle {
  readonly id: 'rod' | 'nut' | 'frets' | 'bass' | 'treble' | 'trim' | 'tilt' | 'contact';
  readonly label: string;
  /** a word beside its ring */
  readonly short: string;
  /** one arrow key */
  readonly step: number;
  readonly least: number;
  readonly most: number;
  /** where it stands on the drawing: mm from the nut, and height over the fret plane */
  readonly at: (o: Outcome) => { readonly x: number; readonly height: number };
  readonly get: (m: Moves) => number;
  readonly set: (m: Moves, value: number) => Moves;
  /** whether a drag goes along the string instead of up and down */
  readonly along?: boolean;
}

const tiltName = (c: Construction): string =>
  c.joint === 'glued'
    ? 'Neck angle (reset)'
    : c.joint === 'tilt-screw'
      ? 'Neck angle (tilt)'
      : 'Neck angle (shim)';

/** Rod, nut slot and frets. */
function alongTheNeck(c: Construction, string: number): readonly Handle[] {
  const count = c.strings.length;
  const at = (n: number) => fretPosition(scaleOf(c, string), n);
  return [
    {
      id: 'rod',
      label: 'Rod: relief',
      short: 'rod',
      step: 0.01,
      least: -1,
      most: 1,
      at: (o) => ({ x: at(7), height: o.tops[7] ?? 0 }),
      get: (m) => m.relief,
      set: (m, relief) => ({ ...m, relief }),
    },
    {
      id: 'nut',
      label: `Nut slot, string ${stringName(c, count - string)}`,
      short: 'nut',
      step: 0.02,
      least: -0.6,
      most: 0.6,
      at: (o) => ({ x: 0, height: o.nut[string] ?? 0 }),
      get: (m) => m.nut[string] ?? 0,
      set: (m, v) => ({ ...m, nut: withString(m.nut, string, v, count) }),
    },
    {
      id: 'frets',
      label: 'Off all frets',
      short: 'frets',
      step: 0.01,
      least: 0,
      most: 0.6,
      at: (o) => ({ x: at(c.frets - 1), height: o.tops[c.frets - 1] ?? 0 }),
      get: (m) => m.frets,
      set: (m, frets) => ({ ...m, frets }),
    },
  ];
}

/** The saddle at both sides, and the string's own where it has one. */
function atTheSaddle(c: Construction, string: number): readonly Handle[] {
  const count = c.strings.length;
  const end = scaleOf(c, string) + c.compensation;
  const saddle = (o: Outcome) => ({ x: end, height: o.saddle[string] ?? 0 });
  const side = string < count / 2 ? 'bass' : 'treble';
  return [
    {
      id: side,
      label: side === 'bass' ? 'Saddle, bass' : 'Saddle, treble',
      short: side,
      step: 0.05,
      least: -5,
      most: 5,
      at: saddle,
      get: (m) => m[side],
      set: (m, v) => ({ ...m, [side]: v }),
    },
    {
      id: side === 'bass' ? 'treble' : 'bass',
      label: side === 'bass' ? 'Saddle, treble' : 'Saddle, bass',
      short: side === 'bass' ? 'treble' : 'bass',
      step: 0.05,
      least: -5,
      most: 5,
      at: (o) => ({ x: end + 9, height: o.saddle[side === 'bass' ? count - 1 : 0] ?? 0 }),
      get: (m) => (side === 'bass' ? m.treble : m.bass),
      set: (m, v) => ({ ...m, [side === 'bass' ? 'treble' : 'bass']: v }),
    },
    ...(isAdjustable(c) || hasOwnSaddles(c)
      ? [
          {
            id: 'trim' as const,
            label: `Its own saddle, string ${stringName(c, count - string)}`,
            short: 'own',
            step: 0.05,
            least: -3,
            most: 3,
            at: (o: Outcome) => ({
              x: end - 60,
              height:
                ((o.saddle[string] ?? 0) - (o.nut[string] ?? 0)) * (1 - 60 / end) + (o.nut[string] ?? 0),
            }),
            get: (m: Moves) => m.trim[string] ?? 0,
            set: (m: Moves, v: number) => ({ ...m, trim: withString(m.trim, string, v, count) }),
          },
        ]
      : []),
  ];
}

/** The handles of an instrument for the string that is drawn (index from the lowest). */
export function handlesOf(c: Construction, string: number): readonly Handle[] {
  const count = c.strings.length;
  const scale = scaleOf(c, string);
  return [
    ...alongTheNeck(c, string),
    ...atTheSaddle(c, string),
    {
      id: 'tilt',
      label: tiltName(c),
      short: 'angle',
      step: 0.1,
      least: -8,
      most: 8,
      at: () => ({ x: fretPosition(scale, c.bodyFret), height: -1.2 }),
      get: (m) => m.tilt,
      set: (m, tilt) => ({ ...m, tilt }),
    },
    {
      id: 'contact',
      label: `Contact, string ${stringName(c, count - string)}`,
      short: 'contact',
      step: 0.1,
      least: -6,
      most: 6,
      along: true,
      at: () => ({ x: scale + c.compensation, height: -0.8 }),
      get: (m) => m.contact[string] ?? 0,
      set: (m, v) => ({ ...m, contact: withString(m.contact, string, v, count) }),
    },
  ];
}

/** Keeps a value within a handle's reach, on its hundredths. */
export const within = (h: Pick<Handle, 'least' | 'most'>, value: number): number =>
  Math.round(Math.min(h.most, Math.max(h.least, value)) * 1000) / 1000;
