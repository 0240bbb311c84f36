/** A line of progress, on standard error so that answers on standard output stay clean. */
export const say = (text: string): void => {
  process.stderr.write(`rubrica: ${text}\n`);
};

/** Something a person must put right; ends the command with exit code 1. */
export class Trouble extends Error {}
