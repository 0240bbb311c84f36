import { spawn } from 'node:child_process';
import { join } from 'node:path';

export interface Ran {
  readonly status: number | null;
  readonly stdout: string;
  readonly stderr: string;
}

interface Around {
  readonly input?: string;
  readonly env?: NodeJS.ProcessEnv;
  readonly cwd?: string;
}

/** Runs a program to its end. Others go on meanwhile: a test that held the process would be taken for a dead one. */
export function runProgram(file: string, args: readonly string[], around: Around = {}): Promise<Ran> {
  const { input = '', env = process.env, cwd = process.cwd() } = around;
  return new Promise((resolve, reject) => {
    const child = spawn(file, args, { cwd, env });
    const said = { stdout: '', stderr: '' };
    for (const from of ['stdout', 'stderr'] as const)
      child[from].setEncoding('utf8').on('data', (piece: string) => (said[from] += piece));
    child.once('error', reject);
    child.once('close', (status) => resolve({ status, ...said }));
    // A program that ends before it has read everything is no trouble of the test's.
    child.stdin.on('error', () => undefined);
    child.stdin.end(input);
  });
}

/** Runs the one command as a person at a terminal does. */
export const runRubrica = (args: readonly string[], around: Around = {}): Promise<Ran> =>
  runProgram(join(process.cwd(), 'rubrica'), args, around);
