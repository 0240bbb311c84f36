import { band, type KindRecord } from '../kind-record.ts';
import { stringSet } from '../string-set.ts';

/** What is known of it before one is seen. */
export const UKULELE: KindRecord = {
  name: 'Ukulele',
  usual: {
    leftHanded: false,
    scale: 380,
    compensation: 2,
    frets: 18,
    bodyFret: 14,
    perCourse: 1,
    strings: stringSet('G4:24 C4:34 E4:29 A4:22'),
    joint: 'glued',
    rod: 'none',
    rodNut: 'soundhole',
    bridge: 'tie-block',
    vibrato: 'none',
    nut: 'synthetic',
    electronics: 'none',
    finish: 'oil',
    fingerboard: 'raw',
    radius: { kind: 'flat' },
  },
  targets: {
    relief: band(0, 0.05, 0.1),
    actionBass: band(2.0, 2.4, 2.7),
    actionTreble: band(2.0, 2.4, 2.7),
    nutGap: band(0.08, 0.14, 0.2),
    intonation: band(-4, 0, 4),
  },
  outline: 'waisted',
  softStrung: true,
  wrap: 'plated or stainless steel',
  acoustic: true,
  soundboard: true,
  hollow: true,
  magnetic: false,
  strapped: false,
  pickups: 2,
  rodRatio: 1.65,
  pluck: { light: 0.0175, medium: 0.0218, heavy: 0.0288 },
};
