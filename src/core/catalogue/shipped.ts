import { BODY_OPERATIONS } from './operations/body.ts';
import { ELECTRONICS_OPERATIONS } from './operations/electronics.ts';
import { FRETS_OPERATIONS } from './operations/frets.ts';
import { HARDWARE_OPERATIONS } from './operations/hardware.ts';
import { LOOKING_OPERATIONS } from './operations/looking.ts';
import { NECK_OPERATIONS } from './operations/neck.ts';
import { NUT_OPERATIONS } from './operations/nut.ts';
import { SADDLE_OPERATIONS } from './operations/saddle.ts';
import { STRINGS_OPERATIONS } from './operations/strings.ts';

/** Every operation that ships, by its id. A new one is a record in the file of its part, and nothing else. */
export const SHIPPED = {
  ...LOOKING_OPERATIONS,
  ...STRINGS_OPERATIONS,
  ...NECK_OPERATIONS,
  ...FRETS_OPERATIONS,
  ...NUT_OPERATIONS,
  ...SADDLE_OPERATIONS,
  ...BODY_OPERATIONS,
  ...ELECTRONICS_OPERATIONS,
  ...HARDWARE_OPERATIONS,
};
