/** A line of progress, on standard error so that answers on standard output stay clean. */
export const say = (text: string): void => {
  process.stderr.write(`rubrica: ${text}\n`);
};

/** A size in words. */
export const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(bytes < 1e7 ? 1 : 0)} MB`;

/** Something a person must put right; ends the command with exit code 1. */
export class Trouble extends Error {}
