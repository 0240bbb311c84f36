import { band, type KindRecord } from '../kind-record.ts';
import { stringSet } from '../string-set.ts';

/** What is known of it before one is seen. */
export const NYLON: KindRecord = {
  name: 'Nylon-string',
  usual: {
    leftHanded: false,
    scale: 650,
    compensation: 1.5,
    frets: 19,
    bodyFret: 12,
    perCourse: 1,
    strings: stringSet('E2:44w A2:36w D3:30w G3:40 B3:33 E4:28'),
    joint: 'glued',
    rod: 'none',
    rodNut: 'soundhole',
    bridge: 'tie-block',
    vibrato: 'none',
    nut: 'bone',
    electronics: 'none',
    finish: 'shellac',
    fingerboard: 'raw',
    radius: { kind: 'flat' },
  },
  targets: {
    relief: band(0.05, 0.15, 0.25),
    actionBass: band(3.3, 3.7, 4.1),
    actionTreble: band(2.7, 3.0, 3.3),
    nutGap: band(0.1, 0.17, 0.25),
    intonation: band(-3, 0, 3),
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
  pluck: { light: 0.016, medium: 0.0186, heavy: 0.023 },
};
