import { HAZARDS as H } from '../hazards.ts';
import { op, operations } from '../operation-record.ts';

/** Hardware: tuners, buttons, screws. Prices in minor units; every number a setting. */
export const HARDWARE_OPERATIONS = operations({
  tighten: op('Tighten what is loose', 15, [5, 10, 20], 800, {
    customer: 'What is loose is tightened.',
    done: 'What was loose was tightened.',
    askedBy: ['rattle:loose', 'tailpiece:rattles', 'buttons:loose'],
    skill: 'bench',
  }),
  'metal-parts': op('Free, smooth or change small metal parts', 15, [10, 15, 30], 1200, {
    customer: 'Small metal parts that are stiff, rough or rusty are freed, smoothed or changed.',
    done: 'Small metal parts that were stiff, rough or rusty were freed, smoothed or changed.',
    askedBy: [
      'saddle-screws:seized',
      'saddle-screws:prick',
      'thumbwheels:seized',
      'guides:grips',
      'corrosion:rust',
    ],
    skill: 'bench',
    materials: ['penetrating oil'],
    hazards: [H.solvent],
  }),
  'guard-glue': op('Fix the pickguard down', 29, [10, 15, 30], 1500, {
    customer: 'The pickguard is fixed down again.',
    done: 'The pickguard was fixed down again.',
    askedBy: ['guard:lifting'],
    skill: 'bench',
    wait: 60,
    hazards: [H.solvent],
  }),
  tuners: op('Tighten the tuners and their bushings', 72, [5, 10, 20], 900, {
    customer: 'The tuners and their bushings are tightened.',
    done: 'The tuners and their bushings were tightened.',
    askedBy: ['tune:slips', 'tuners:slips', 'bushings:loose'],
    skill: 'bench',
  }),
  'tuners-new': op('Replace the tuners', 36, [30, 45, 75], 4800, {
    customer: 'The tuners are replaced.',
    done: 'The tuners were replaced.',
    changes: 'the tuners are replaced (you get the old ones back)',
    askedBy: ['tuners:worn'],
    replaces: ['tuners'],
    includes: ['tuners'],
    needs: ['strings-off'],
    materials: ['tuners'],
    parts: 6500,
    moves: ['strings'],
    hazards: [H.drill],
  }),
  'strap-button': op('Fit a strap button', 74, [10, 15, 25], 1400, {
    customer: 'A strap button is fitted.',
    done: 'A strap button was fitted.',
    materials: ['strap button'],
    parts: 300,
    reversible: false,
    hazards: [H.drill],
  }),
  'screw-hole': op('Plug and drill a stripped screw hole', 74, [15, 20, 35], 1600, {
    customer: 'A stripped screw hole is plugged and drilled anew.',
    done: 'A stripped screw hole was plugged and drilled anew.',
    askedBy: ['buttons:stripped'],
    wait: 60,
    reversible: false,
    hazards: [H.drill],
  }),
});
