import { band, type KindRecord } from '../kind-record.ts';
import { stringSet } from '../string-set.ts';

/** What is known of it before one is seen. */
export const TWELVE_STRING: KindRecord = {
  name: '12-string acoustic',
  usual: {
    leftHanded: false,
    scale: 648,
    compensation: 2.5,
    frets: 20,
    bodyFret: 14,
    perCourse: 2,
    strings: stringSet('E3:27w E2:47w A3:18 A2:39w D4:12 D3:30w G4:8 G3:23w B3:14 B3:14 E4:10 E4:10'),
    joint: 'glued',
    rod: 'two-way',
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
    relief: band(0.1, 0.15, 0.2),
    actionBass: band(1.8, 2.0, 2.3),
    actionTreble: band(1.4, 1.5, 1.8),
    nutGap: band(0.04, 0.08, 0.12),
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
  pluck: { light: 0.0077, medium: 0.0092, heavy: 0.0116 },
};
