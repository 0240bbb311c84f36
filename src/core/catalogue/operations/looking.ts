import { HAVING } from '../../instrument/having.ts';
import { HAZARDS as H } from '../hazards.ts';
import { op, operations } from '../operation-record.ts';

/** Looking, listening and asking; what the customer still feels. Prices in minor units; every number a setting. */
export const LOOKING_OPERATIONS = operations({
  'look-inside': op('Look inside with lamp and mirror', 5, [5, 10, 20], 900, {
    fits: HAVING.hollow,
    customer: 'It is looked at inside with lamp and mirror.',
    done: 'It was looked at inside with lamp and mirror.',
    askedBy: ['top:bulged', 'top:sunken'],
    skill: 'bench',
  }),
  'buzz-hunt': op('Hunt a buzz', 6, [60, 90, 120], 6500, {
    customer: 'The noise is hunted down, string by string and part by part.',
    done: 'The noise was hunted down, string by string and part by part.',
    strung: true,
    askedBy: [
      'open-buzz:buzzes',
      'fretted-buzz:buzzes',
      'fretted-buzz:chokes',
      'fretted-buzz:dead',
      'bends:chokes',
      'resonance:rattles',
    ],
    skill: 'senior',
    hazards: [H.strings],
  }),
  'second-look': op('A colleague’s second look', 7, [5, 10, 20], 0, {
    customer: 'A colleague looks at it as well.',
    done: 'It was looked at by a colleague as well.',
    askedBy: ['rod-reach:rounded', 'balance:uneven', 'dots:missing', 'heel:gap', 'heel:crack'],
    skill: 'senior',
  }),
  'leave-watch': op('Leave it and watch', 8, [2, 5, 10], 0, {
    customer: 'It is left as it is, with the reading at which to act.',
    done: 'It was left as it is, with the reading at which to act.',
    skill: 'setup',
  }),
  tweak: op('Put right what the customer still feels', 95, [10, 20, 45], 2000, {
    customer: 'What you still feel is put right.',
    done: 'What you still felt was put right.',
  }),
});
