import { z } from 'zod';
import { pinProblem } from '../../../core/people/pin.ts';

/** A PIN somebody is to have; what is wrong with it is said at its field. */
export const newPin = z.string().superRefine((pin, at) => {
  const problem = pinProblem(pin);
  if (problem !== null) at.addIssue({ code: 'custom', message: problem });
});
