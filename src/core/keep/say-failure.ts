/** What did not work, as the house's log calls it. */
export interface Failure {
  /** the log's words */
  readonly words: string;
  /** a command's name, a page's path, or nothing */
  readonly name: string;
  /** what failed: the database, which was away or refused; the machine or a line out of it; or the program itself */
  readonly why: 'database' | 'machine' | 'program';
}

/** What a command changes, by the first word of its name. */
const CHANGES: Readonly<Record<string, string>> = {
  custody: 'what came with an instrument',
  desk: 'the desk',
  devices: 'the tablets',
  'hand-over': 'a hand-over',
  house: 'House',
  hunt: 'the hunt for a noise',
  inspection: 'an inspection',
  people: 'the people',
  plan: 'a plan',
  practice: 'a practice instrument',
  rack: 'where an instrument hangs',
  readings: 'readings',
  shelf: 'the shelf',
  stores: 'the stores',
  strings: 'the strings of an instrument',
  week: 'the week',
  work: 'a work order',
};

const COMMAND_FAILED = 'a command failed';
const REFUSED_LATE = 'the database refused what a schema let through';
const REQUEST_FAILED = 'a request failed';
const SCREEN_FAILED = 'a screen failed';

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A page's name by its path: the last part of it that is a word. */
function pageOf(path: string): string {
  const words = path.split('/').filter((part) => /^[a-z][a-z-]*$/.test(part) && part !== 'api');
  return capital((words.at(-1) ?? 'start').replace(/-/g, ' '));
}

const changeOf = (name: string): string => CHANGES[name.split('.')[0] ?? ''] ?? 'the record';

function whatOf({ words, name }: Failure): string {
  switch (words) {
    case COMMAND_FAILED:
      return `A change of ${changeOf(name)} was not kept; the tablet said so and kept what was typed.`;
    case REFUSED_LATE:
      return `A change of ${changeOf(name)} was refused; the tablet said so.`;
    case REQUEST_FAILED:
      return name.startsWith('/api/')
        ? `Something that “${pageOf(name)}” asked for did not come.`
        : `The page “${pageOf(name)}” could not be shown.`;
    case SCREEN_FAILED:
      return `The page “${pageOf(name)}” failed on a tablet.`;
    default:
      return `${capital(words)}.`;
  }
}

const WHY: Readonly<Record<Failure['why'], string>> = {
  database: 'The database was away or refused.',
  machine: 'The machine refused, its disk for instance, or a line out of the house did.',
  program: 'It is a fault of the program.',
};

/**
 * A failure in plain words: what did not work, and what failed.
 * @example sayFailure({ words: 'a command failed', name: 'readings.save', why: 'database' }) says that a change of readings was not kept
 */
export const sayFailure = (f: Failure): string => `${whatOf(f)} ${WHY[f.why]}`;
