import { createStream } from 'rotating-file-stream';
import { privateFolder } from './paths.ts';

/** Where what is said inside the house goes, a JSON object a line. */
export interface LogFile {
  readonly write: (line: Buffer) => void;
  readonly end: () => Promise<void>;
}

/** Opens the house's log: a new file at ten megabytes, ten of them kept. */
export function openLogFile(): LogFile {
  const stream = createStream('rubrica.log', {
    path: privateFolder('log'),
    size: '10M',
    maxFiles: 10,
    mode: 0o600,
  });
  // A full disk stops no shop because its log cannot grow.
  stream.on('error', () => undefined);
  return {
    write: (line) => void stream.write(line),
    end: () => new Promise((resolve) => stream.end(() => resolve())),
  };
}
