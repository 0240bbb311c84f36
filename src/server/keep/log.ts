import { pino, type DestinationStream } from 'pino';

/** What is written with a line: ids and codes, never names, words or numbers of a customer. */
export interface LogFacts {
  /** the request, so that what a person was told can be found again */
  readonly request?: string;
  /** the command's id and name */
  readonly command?: string;
  readonly name?: string;
  /** where: a route's pattern or a path without its query */
  readonly at?: string;
  readonly error?: unknown;
}

/** Where the house says what happened inside it. */
export interface Log {
  readonly info: (words: string, facts?: LogFacts) => void;
  readonly warn: (words: string, facts?: LogFacts) => void;
  readonly error: (words: string, facts?: LogFacts) => void;
}

/** A path without its query and without what opens a customer's link. */
export const cleanPath = (path: string): string =>
  path
    .replace(/\?.*$/, '')
    .replace(/[\w-]{43}/g, '…token…')
    .slice(0, 200);

/** An error as it is logged: its kind, message and place, its cause, and what the database said without the values. */
function describe(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { message: String(error).slice(0, 400) };
  const parent = (error as { parent?: { code?: string; sqlState?: string } }).parent;
  return {
    kind: error.name,
    // What a database says repeats values that were typed.
    message: parent ? `database ${parent.code ?? ''} ${parent.sqlState ?? ''}` : error.message.slice(0, 400),
    stack: (error.stack ?? '')
      .split('\n')
      .filter((l) => l.trim().startsWith('at '))
      .slice(0, 12),
    ...(error.cause !== undefined && { cause: describe(error.cause) }),
  };
}

/** A log on a stream: one JSON object a line. */
export function logTo(stream: DestinationStream, level = 'info'): Log {
  const log = pino({ level, base: null, timestamp: pino.stdTimeFunctions.isoTime }, stream);
  const write =
    (kind: 'info' | 'warn' | 'error') =>
    (words: string, facts: LogFacts = {}) => {
      const { error, at, ...rest } = facts;
      log[kind](
        {
          ...rest,
          ...(at !== undefined && { at: cleanPath(at) }),
          ...(error !== undefined && { error: describe(error) }),
        },
        words,
      );
    };
  return { info: write('info'), warn: write('warn'), error: write('error') };
}

const KEY = Symbol.for('rubrica.log');
const HEARER = Symbol.for('rubrica.failures');
type Hear = (words: string, facts: LogFacts) => void;
type Holder = { [KEY]?: Log; [HEARER]?: Hear };

/** Lets whoever keeps what did not work hear of each error that this process logs. */
export function hearFailures(hear: Hear): void {
  (globalThis as Holder)[HEARER] = hear;
}

/** A log whose errors are heard. */
function heard(log: Log): Log {
  const tell =
    (kind: 'warn' | 'error') =>
    (words: string, facts: LogFacts = {}) => {
      log[kind](words, facts);
      if (facts.error !== undefined) (globalThis as Holder)[HEARER]?.(words, facts);
    };
  return { info: log.info, warn: tell('warn'), error: tell('error') };
}

/** This process's log: a file where RUBRICA_LOG_FILE names one, else the error output. */
export function houseLog(): Log {
  const holder = globalThis as Holder;
  holder[KEY] ??= heard(
    logTo(
      pino.destination({ dest: process.env['RUBRICA_LOG_FILE'] ?? 2, sync: true, mkdir: true }),
      process.env['RUBRICA_LOG_LEVEL'] ?? 'info',
    ),
  );
  return holder[KEY];
}

/** What a library warns of goes into the log as every line does: one JSON object. */
export function takeWarnings(): void {
  console.warn = (...words: unknown[]) =>
    houseLog().warn(`a library warns: ${words.map(String).join(' ').slice(0, 400)}`);
}
