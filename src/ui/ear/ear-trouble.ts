import type { EarStands } from './ear-session.ts';

/** Why nothing can be heard, and what helps. */
export const TROUBLE: Readonly<Record<Extract<EarStands, { kind: 'trouble' }>['why'], string>> = {
  insecure: 'A microphone needs a secure page: open Rubrica by the https address that its start shows.',
  'not-allowed': 'This browser was not allowed to hear. Allow the microphone for this page and begin again.',
  none: 'This tablet has no microphone. A WAV file of the same does as well.',
  busy: 'The microphone did not open. Something else may be using it.',
  lost: 'The microphone went away. What was heard stands in its fields.',
  fault: 'Listening ended by a fault of Rubrica’s own. What was heard stands in its fields.',
};
