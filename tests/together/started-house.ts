import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const LONG = 120_000;
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

/** Hears that a process ended, and its exit code. */
export const ended = (child: ChildProcess): Promise<number | null> =>
  new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) resolve(child.exitCode);
    else child.once('exit', (code) => resolve(code));
  });

/** A house that `./rubrica start` opens, in a home of its own, which is this process's for that time. */
export class StartedHouse {
  readonly folder = mkdtempSync(join(tmpdir(), 'rubrica-start-'));
  private readonly before = process.env['RUBRICA_HOME'];
  private child: ChildProcess | null = null;
  said = '';

  private readonly port: number;
  private readonly options: readonly string[];
  /** where it is installed */
  private readonly checkout: string;
  private readonly env: Readonly<Record<string, string>>;

  constructor(
    port: number,
    options: readonly string[] = [],
    checkout: string = process.cwd(),
    env: Readonly<Record<string, string>> = {},
  ) {
    this.port = port;
    this.options = options;
    this.checkout = checkout;
    this.env = env;
    process.env['RUBRICA_HOME'] = this.folder;
  }

  get base(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Waits until something holds; says what was not so where it never does. */
  async until(what: string, holds: () => boolean | Promise<boolean>): Promise<void> {
    const began = Date.now();
    while (Date.now() - began < LONG) {
      if (await holds()) return;
      await pause(50);
    }
    throw new Error(`${what}: not within ${LONG / 1000} s\n${this.said}`);
  }

  isUp = (): Promise<boolean> =>
    fetch(`${this.base}/api/health`, { signal: AbortSignal.timeout(2000) }).then(
      (r) => r.ok,
      () => false,
    );

  async begin(): Promise<void> {
    this.said = '';
    const words = ['start', '--empty', '--port', String(this.port), ...this.options];
    const child = spawn(join(this.checkout, 'rubrica'), words, {
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, ...this.env },
    });
    this.child = child;
    for (const out of [child.stdout, child.stderr])
      out.on('data', (d: Buffer) => (this.said += d.toString()));
    await this.until('the house opens', () => {
      if (child.exitCode !== null) throw new Error(`the start ended: ${this.said}`);
      // Its own last words: those of a further shop stand behind that shop's name.
      return /^ {2}Ctrl-C stops/m.test(this.said) && this.isUp();
    });
  }

  /** The start itself ends by a signal; answers its exit code. */
  async stop(signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM'): Promise<number | null> {
    if (!this.child) return null;
    this.child.kill(signal);
    return ended(this.child);
  }

  /** A process that the start keeps up, by what it is called in its list. */
  pidOf(what: 'application' | 'application 2' | 'proxy'): number {
    const list = JSON.parse(readFileSync(join(this.folder, 'children.json'), 'utf8')) as Record<
      string,
      string
    >;
    return Number(list[what]?.split('-')[0]);
  }

  /** A process that the start keeps up ends without a warning; false where none is up: the one that stands in the list may be gone. */
  kill(what: 'application' | 'application 2' | 'proxy'): boolean {
    const pid = this.pidOf(what);
    if (!(pid > 0)) return false;
    try {
      process.kill(pid, 'SIGKILL');
      return true;
    } catch {
      return false;
    }
  }

  async remove(): Promise<void> {
    await this.stop();
    rmSync(this.folder, { recursive: true, force: true });
    if (this.before === undefined) delete process.env['RUBRICA_HOME'];
    else process.env['RUBRICA_HOME'] = this.before;
  }
}
