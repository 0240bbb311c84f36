import { randomInt, randomUUID } from 'node:crypto';
import type { CommandInput, CommandName } from '../../src/contracts/commands/commands.ts';

/** A command that the house has acknowledged. */
export interface Acknowledged {
  readonly id: string;
  readonly name: CommandName;
  readonly person: number;
}

/** A job as the crowd knows it: versions are guessed and taken from what the house answers. */
export interface CrowdJob {
  readonly id: number;
  readonly items: readonly string[];
  readonly places: ReadonlyArray<{ readonly string: number; readonly fret: number }>;
  readonly lines: readonly number[];
  version: number;
}

interface Answer {
  readonly ok: boolean;
  readonly value?: {
    readonly version?: number;
    readonly remarkId?: number;
    readonly jobId?: number;
    readonly token?: string;
  };
  readonly error?: { readonly code: string; readonly theirs?: { readonly version: number } };
}

export const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const GIVE_UP_MS = 60_000;
const PATIENCE_MS = 4000;

/** What is answered in time; what is answered later is as good as lost. No signal is needed: one may be collected with its request. */
export async function inTime<T>(asked: Promise<T>): Promise<T> {
  let timer: NodeJS.Timeout | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('no answer in time')), PATIENCE_MS);
  });
  return Promise.race([asked, late]).finally(() => clearTimeout(timer));
}

/** Signs a person in on a tablet of their own, through the doors a browser uses; answers the cookie. */
export async function signedIn(base: string, code: string, personId: number, pin: string): Promise<string> {
  const jar = new Map<string, string>();
  const post = async (path: string, body: unknown) => {
    const answer = await fetch(`${base}${path}`, {
      method: 'POST',
      headers: {
        'Content-Type': 'application/json',
        origin: base,
        cookie: [...jar].map(([k, v]) => `${k}=${v}`).join('; '),
      },
      body: JSON.stringify(body),
    });
    for (const set of answer.headers.getSetCookie()) {
      const [name = '', value = ''] = (set.split(';')[0] ?? '').split('=');
      jar.set(name, value);
    }
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  };
  await post('/api/pair', { code, name: `tablet ${personId}` });
  await post('/api/session', { personId, pin });
  return [...jar].map(([k, v]) => `${k}=${v}`).join('; ');
}

/** One of the crowd: does what comes to mind on any of the jobs, and asks again until the house has answered. */
export class Person {
  readonly acknowledged: Acknowledged[] = [];
  /** sent and never answered: may have arrived or not */
  open: string | null = null;
  protected readonly versions = new Map<string, number>();
  private readonly questions: number[] = [];

  protected readonly base: string;
  protected readonly cookie: string;
  protected readonly person: number;
  protected readonly jobs: readonly CrowdJob[];
  /** the things on the shelves, by their rows */
  private readonly shelves: readonly number[];

  constructor(
    base: string,
    cookie: string,
    person: number,
    jobs: readonly CrowdJob[],
    shelves: readonly number[],
  ) {
    this.base = base;
    this.cookie = cookie;
    this.person = person;
    this.jobs = jobs;
    this.shelves = shelves;
  }

  protected pick<T>(of: readonly T[]): T {
    return of[randomInt(of.length)] as T;
  }

  /** Asks the house once. */
  private async ask(command: unknown): Promise<{ readonly status: number; readonly said: Answer }> {
    const answer = await fetch(`${this.base}/api/command`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', origin: this.base, cookie: this.cookie },
      body: JSON.stringify(command),
    });
    return { status: answer.status, said: (await answer.json()) as Answer };
  }

  /** Gives a command with the same id until it is answered, as a tablet does. */
  protected async give<N extends CommandName>(name: N, input: CommandInput<N>, until: () => boolean) {
    const id = randomUUID();
    this.open = id;
    const began = Date.now();
    for (;;) {
      try {
        const { status, said } = await inTime(this.ask({ id, name, input }));
        // A fault of the house tells nothing of what it did: a tablet asks again with the same id.
        if (status >= 500) throw new Error(`answered ${status}`);
        this.open = null;
        if (said.ok) this.acknowledged.push({ id, name, person: this.person });
        return said;
      } catch {
        if (Date.now() - began > GIVE_UP_MS && until()) return null;
        await pause(150);
      }
    }
  }

  /** Gives a command on something with a version: what the house answers is the next one’s. */
  private async change<N extends CommandName>(
    thing: string,
    name: N,
    input: (version: number) => CommandInput<N>,
    until: () => boolean,
  ): Promise<void> {
    const said = await this.give(name, input(this.versions.get(thing) ?? 0), until);
    const version = said?.value?.version ?? said?.error?.theirs?.version;
    if (version !== undefined) this.versions.set(thing, version);
  }

  /**
   * Goes on until told to stop.
   * @param pace how long a pause between two things may be, ms
   */
  async live(stop: () => boolean, pace = 120): Promise<void> {
    while (!stop()) {
      await this.once(stop);
      await pause(randomInt(pace));
    }
  }

  protected async once(until: () => boolean): Promise<void> {
    const job = this.pick(this.jobs);
    const jobId = job.id;
    switch (randomInt(8)) {
      case 0: {
        const item = this.pick(job.items);
        const answer = this.pick(['fine', 'watch', 'work', 'na'] as const);
        const note = this.pick(['', 'a note']);
        return this.change(
          `item:${jobId}:${item}`,
          'inspection.answer',
          (version) => ({ jobId, item, answer, note, version }),
          until,
        );
      }
      case 1: {
        const { string, fret } = this.pick(job.places);
        const typed = `${(5 + randomInt(40) / 10).toFixed(1)}`;
        return this.change(
          `reading:${jobId}:${string}`,
          'readings.save',
          (version) => ({
            jobId,
            round: 'as-found',
            quantity: 'action',
            string,
            fret,
            typed,
            unit: '64ths',
            version,
          }),
          until,
        );
      }
      case 2:
      case 3: {
        const lineId = this.pick(job.lines);
        const action = this.pick(['start', 'start', 'pause', 'finish', 'reopen', 'undo'] as const);
        return this.change(
          `line:${lineId}`,
          'work.step',
          (version) => ({ lineId, version, action, without: 'a crowd' }),
          until,
        );
      }
      case 4: {
        const asked = this.pick([true, false]);
        const said = await this.give(
          'work.remark',
          {
            jobId,
            lineId: null,
            kind: asked ? 'question' : 'note',
            words: `words ${randomInt(1000)}`,
            toPerson: null,
          },
          until,
        );
        if (asked && said?.value?.remarkId !== undefined) this.questions.push(said.value.remarkId);
        return;
      }
      case 5:
      case 6: {
        // The few things there are wanted by everybody at once.
        const kind = this.pick(['received', 'set-aside', 'set-aside', 'used', 'used', 'released'] as const);
        const itemId = this.pick(this.shelves);
        const quantity = 1 + randomInt(2);
        await this.give('stores.move', { itemId, kind, quantity, jobId, lineId: null, reason: '' }, until);
        return;
      }
      default: {
        const remarkId = this.questions.pop();
        if (remarkId === undefined) return;
        await this.give('work.reply', { remarkId, version: 0, answer: 'an answer' }, until);
      }
    }
  }
}
