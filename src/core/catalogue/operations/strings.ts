import { HAZARDS as H } from '../hazards.ts';
import { op, operations } from '../operation-record.ts';

/** What is done to strings and with them: on, off, tuned, played. Prices in minor units; every number a setting. */
export const STRINGS_OPERATIONS = operations({
  'string-up': op('String it up', 10, [10, 15, 25], 1500, {
    customer: 'It is strung up, so that it can be judged.',
    strings: 'on',
    plain: true,
    skill: 'bench',
    materials: ['a set of strings'],
    parts: 1200,
    moves: ['strings'],
    hazards: [H.strings],
  }),
  'tune-stretch': op('Tune, stretch, tune again', 11, [5, 10, 15], 500, {
    customer: 'The strings are tuned, stretched and tuned again until they hold.',
    strung: true,
    askedBy: ['tune:drifts'],
    plain: true,
    skill: 'bench',
    wait: 15,
    moves: ['strings'],
    hazards: [H.strings],
  }),
  'strings-off': op('Take the strings off', 12, [3, 5, 10], 300, {
    customer: 'The strings are taken off.',
    strings: 'off',
    alongside: true,
    plain: true,
    skill: 'bench',
    hazards: [H.strings],
  }),
  restring: op('Put a new set on', 80, [10, 15, 25], 1500, {
    customer: 'It gets a new set of strings.',
    strings: 'on',
    alongside: true,
    plain: true,
    skill: 'bench',
    needs: ['strings-off', 'board-clean', 'fret-polish', 'nut-new'],
    materials: ['a set of strings'],
    parts: 1200,
    moves: ['strings'],
    hazards: [H.strings],
  }),
  'play-test': op('Restring, settle, play every fret', 90, [15, 20, 35], 1500, {
    customer: 'It gets a new set of strings, and every fret is played and listened to.',
    askedBy: ['strings:old', 'octaves:mixed', 'ties:untidy'],
    strings: 'on',
    alongside: true,
    plain: true,
    needs: ['intonate', 'compensate', 'pickup-height', 'saddle-lower', 'saddle-raise', 'nut-slots', 'rod'],
    materials: ['a set of strings'],
    parts: 1200,
    hazards: [H.strings],
  }),
});
