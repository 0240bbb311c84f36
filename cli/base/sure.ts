import { createInterface } from 'node:readline/promises';
import { Trouble } from './say.ts';

/**
 * Whether somebody is sure to lose a record: asked at a terminal, where the number of jobs is typed; a script says --yes.
 * @throws Trouble where there is nobody to ask
 */
export async function sureToLose(what: string, jobs: number, yes: boolean, script: string): Promise<boolean> {
  if (yes) return true;
  if (!process.stdin.isTTY) throw new Trouble(`${what} To do it without being asked: ${script}`);
  const ask = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await ask.question(`${what}\nType the number of jobs to go on: `);
  ask.close();
  return answer.trim() === String(jobs);
}
