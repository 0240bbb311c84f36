import { HAZARDS as H } from '../hazards.ts';
import { op, operations } from '../operation-record.ts';

/** Electronics: pickups, controls, wiring. Prices in minor units; every number a setting. */
export const ELECTRONICS_OPERATIONS = operations({
  'clean-controls': op('Clean controls and switch', 16, [10, 15, 30], 1800, {
    customer: 'Controls and switch are cleaned.',
    askedBy: ['controls:crackles', 'switch:cuts'],
    skill: 'bench',
    place: 'electronics',
    materials: ['contact cleaner'],
    hazards: [H.solvent],
  }),
  battery: op('New battery, clean contacts', 17, [5, 8, 15], 500, {
    customer: 'It gets a new battery, and its contacts are cleaned.',
    askedBy: ['battery:flat', 'battery:corroded'],
    skill: 'bench',
    materials: ['battery'],
    parts: 400,
    hazards: [H.battery],
  }),
  socket: op('Tighten or replace the output socket', 17, [10, 20, 35], 1900, {
    customer: 'The output socket is tightened or replaced.',
    askedBy: ['socket:loose', 'socket:crackles'],
    place: 'electronics',
    materials: ['output socket'],
    parts: 500,
    hazards: [H.solder],
  }),
  wiring: op('Repair the wiring', 17, [20, 40, 80], 4200, {
    customer: 'The wiring is repaired.',
    askedBy: ['controls:dead', 'noise:dead', 'cavity:cold', 'cavity:corroded'],
    place: 'electronics',
    materials: ['solder', 'wire'],
    parts: 300,
    hazards: [H.solder, H.mains],
  }),
  shield: op('Shield the cavities', 17, [45, 60, 90], 6500, {
    customer: 'The cavities are shielded against hum.',
    askedBy: ['noise:hum', 'shield:open'],
    place: 'electronics',
    materials: ['copper foil'],
    parts: 1200,
    hazards: [H.solder, H.files],
  }),
  'switch-new': op('Replace the switch', 17, [20, 30, 50], 3600, {
    customer: 'The switch is replaced.',
    changes: 'the switch is replaced (you get the old one back)',
    askedBy: ['switch:dead'],
    replaces: ['clean-controls'],
    place: 'electronics',
    materials: ['switch'],
    parts: 1500,
    hazards: [H.solder],
  }),
  'pickup-new': op('Replace a pickup', 17, [30, 45, 75], 5200, {
    customer: 'A pickup is replaced.',
    changes: 'a pickup is replaced (you get the old one back)',
    replaces: ['wiring'],
    place: 'electronics',
    needs: ['strings-off'],
    moves: ['pickups'],
    hazards: [H.solder, H.strings],
  }),
  'pickup-height': op('Set the pickup heights', 70, [5, 10, 15], 900, {
    customer: 'The pickups are set to their distance from the strings.',
    strung: true,
    askedBy: ['pickup-height:out', 'pickup-height:near', 'pickup-height:far'],
    plain: true,
    needs: ['saddle-set', 'saddle-lower', 'saddle-raise', 'intonate'],
    moves: ['pickups'],
  }),
});
