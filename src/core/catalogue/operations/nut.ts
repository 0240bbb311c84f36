import { HAZARDS as H } from '../hazards.ts';
import { op, operations } from '../operation-record.ts';

const CUT = { reversible: false, hazards: [H.dust, H.files] } as const;

/** Nut: its slots, its height, its place. Prices in minor units; every number a setting. */
export const NUT_OPERATIONS = operations({
  'nut-new': op('Make a new nut', 38, [50, 75, 110], 8500, {
    customer: 'A new nut is made.',
    changes: 'the nut is replaced (you get the old one back)',
    wantsStraight: true,
    heavy: true,
    askedBy: ['nut-spacing:uneven', 'nut-cracks:cracked'],
    replaces: ['nut-slots', 'nut-fill'],
    filesNut: true,
    needs: ['rod', 'fret-dress'],
    materials: ['nut blank'],
    parts: 900,
    moves: ['nut'],
    ...CUT,
  }),
  'nut-fill': op('Fill a nut slot', 39, [15, 20, 30], 1800, {
    customer: 'A nut slot that is too deep is filled and cut again.',
    filesNut: true,
    wait: 30,
    moves: ['nut'],
    hazards: [H.dust, H.quickGlue],
  }),
  'nut-shim': op('Shim the nut', 39, [15, 20, 35], 1900, {
    customer: 'The nut is raised by a thin layer under it.',
    askedBy: ['nut-cracks:loose'],
    materials: ['shim stock'],
    moves: ['nut'],
    hazards: [H.dust, H.quickGlue],
  }),
  'nut-lower': op('Lower the nut’s base', 39, [15, 25, 40], 2400, {
    customer: 'The nut is lowered from below.',
    changes: 'the nut is lowered from below',
    takesFrom: 'nut',
    wantsStraight: true,
    needs: ['rod', 'fret-dress'],
    moves: ['nut'],
    ...CUT,
  }),
  'nut-slots': op('Cut the nut slots', 40, [15, 25, 40], 2500, {
    customer: 'The nut’s slots are cut to height, so that the first frets press down easily.',
    changes: 'nut slots are cut deeper',
    takesFrom: 'nut',
    restsOn: ['nut-gap'],
    wantsStraight: true,
    askedBy: ['grip:grips'],
    actWhen: 'Act when a string catches in tuning or a gap leaves its band.',
    strings: 'on',
    filesNut: true,
    plain: true,
    needs: ['rod', 'fret-dress', 'nut-new', 'nut-fill'],
    moves: ['nut'],
    ...CUT,
  }),
  'nut-compensate': op('Compensate the nut', 41, [30, 45, 75], 5200, {
    customer: 'The nut is shaped so that the first frets play in tune.',
    changes: 'the nut is shaped anew',
    wantsStraight: true,
    askedBy: ['low-frets:sharp'],
    alongString: true,
    filesNut: true,
    skill: 'senior',
    needs: ['nut-slots', 'saddle-lower', 'saddle-raise'],
    moves: ['nut'],
    ...CUT,
  }),
});
