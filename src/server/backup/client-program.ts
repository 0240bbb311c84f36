import { spawn, type ChildProcess } from 'node:child_process';

/** Where the database's own programs stand. */
export interface ClientPrograms {
  readonly dump: string;
  readonly client: string;
}

/** How a program of the database reaches a database: its arguments, its password apart from them, and the database's name. */
export function reach(url: string): {
  readonly args: readonly string[];
  readonly password: string;
  readonly name: string;
} {
  const { hostname, port, username, password, pathname } = new URL(url);
  return {
    args: [
      '--no-defaults',
      `--host=${hostname}`,
      `--port=${port || '3306'}`,
      `--user=${decodeURIComponent(username)}`,
      '--default-character-set=utf8mb4',
    ],
    password: decodeURIComponent(password),
    name: pathname.slice(1),
  };
}

const LONGEST_WORDS = 4000;

/** A program that was started, and its end: rejected with what it complained of. */
export interface Running {
  readonly child: ChildProcess;
  readonly ended: Promise<void>;
}

/** Starts a program of the database; its password stands in no list of processes. */
export function runClient(
  program: string,
  args: readonly string[],
  password: string,
  gives: 'output' | 'input',
): Running {
  const child = spawn(program, args, {
    env: { ...process.env, MYSQL_PWD: password },
    stdio: [gives === 'input' ? 'pipe' : 'ignore', gives === 'output' ? 'pipe' : 'ignore', 'pipe'],
  });
  let words = '';
  child.stderr?.on('data', (d: Buffer) => (words = (words + d.toString()).slice(-LONGEST_WORDS)));
  const ended = new Promise<void>((resolve, reject) => {
    child.once('error', reject);
    child.once('close', (code) =>
      code === 0 ? resolve() : reject(new Error(words.trim() || `${program} ended with ${code}`)),
    );
  });
  return { child, ended };
}
