import { band, type KindRecord } from '../kind-record.ts';
import { stringSet } from '../string-set.ts';

/** What is known of it before one is seen. */
export const STEEL_ACOUSTIC: KindRecord = {
  name: 'Steel-string acoustic',
  usual: {
    leftHanded: false,
    scale: 648,
    compensation: 2.5,
    frets: 20,
    bodyFret: 14,
    perCourse: 1,
    strings: stringSet('E2:53w A2:42w D3:32w G3:24w B3:16 E4:12'),
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
  },
  targets: {
    relief: band(0.15, 0.2, 0.25),
    actionBass: band(2.0, 2.2, 2.5),
    actionTreble: band(1.5, 1.7, 2.0),
    nutGap: band(0.05, 0.1, 0.15),
    intonation: band(-2, 0, 2),
  },
  outline: 'waisted',
  softStrung: false,
  wrap: 'bronze',
  acoustic: true,
  soundboard: true,
  hollow: true,
  magnetic: false,
  strapped: true,
  pickups: 2,
  rodRatio: 1.65,
  pluck: { light: 0.0103, medium: 0.0121, heavy: 0.0153 },
};
