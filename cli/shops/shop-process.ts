import { spawn } from 'node:child_process';
import { home } from '../base/paths.ts';
import { Trouble } from '../base/say.ts';
import { hasEnded } from '../base/serve.ts';
import type { Kept, Running } from '../watch/keep-up.ts';
import { KEPT_BY } from '../watch/orphans.ts';
import { surroundings, type Shop } from './shops.ts';

/** A shop closes its application and its database: longer than either of them. */
const CLOSES_MS = 20_000;
/** Its last words before it serves on. */
const IS_OPEN = 'Ctrl-C stops';

/**
 * A further shop as something that is kept up: a start of its own, which keeps up what it needs itself. Nothing of one shop is in
 * another's process.
 * @param more what its application is told beside: the names it is reached by
 */
export const shopProcess = (shop: Shop, more: Readonly<Record<string, string>>): Kept => ({
  what: `the shop ${shop.name}`,
  begin: () =>
    new Promise<Running>((resolve, reject) => {
      const program = process.argv[1] ?? '';
      const child = spawn(
        process.execPath,
        [...process.execArgv, program, 'start', '--port', String(shop.port), '--empty'],
        {
          env: { ...(surroundings(shop, process.env) as NodeJS.ProcessEnv), ...more, [KEPT_BY]: home() },
          stdio: ['ignore', 'pipe', 'pipe'],
          detached: true,
        },
      );
      const ended = new Promise<void>((done) => child.once('exit', () => done()));
      const end = async (): Promise<void> => {
        if (hasEnded(child)) return;
        child.kill('SIGTERM');
        const force = setTimeout(() => child.kill('SIGKILL'), CLOSES_MS);
        await ended;
        clearTimeout(force);
      };
      let said = '';
      const hear = (piece: Buffer): void => {
        const words = piece.toString();
        said = (said + words).slice(-4000);
        process.stdout.write(words.replace(/^(?=.)/gm, `${shop.name} | `));
        if (said.includes(IS_OPEN)) resolve({ pid: child.pid ?? 0, ended, end });
      };
      child.stdout.on('data', hear);
      child.stderr.on('data', hear);
      child.once('exit', () => reject(new Trouble(`the shop ${shop.name} did not open:\n${said}`)));
    }),
});
