import { randomUUID } from 'node:crypto';
import type { CommandAnswer, CommandInput, CommandName } from '../contracts/commands/commands.ts';
import type { Database } from '../server/db/connection.ts';
import { execute } from '../server/door/execute.ts';
import { loadJob, type JobView } from '../server/leaves/load-job.ts';
import type { Actor } from '../server/use-case/use-case.ts';

const DAY = 86_400_000;
const MINUTE = 60_000;

/** Tells one job's story through the same use cases the screens use, at the times it happened. */
export class Story {
  private clock: number;

  private readonly db: Database;
  private readonly actor: Actor;
  private readonly start: number;

  constructor(db: Database, actor: Actor, start: number) {
    this.db = db;
    this.actor = actor;
    this.start = start;
    this.clock = start;
  }

  async give<N extends CommandName>(name: N, input: CommandInput<N>): Promise<CommandAnswer<N>> {
    this.clock += MINUTE;
    const now = new Date(this.clock);
    const done = await execute(this.db, this.actor, name, input, randomUUID(), () => now);
    if (!done.ok) throw new Error(`demo: ${name} was refused: ${JSON.stringify(done.error)}`);
    return done.value;
  }

  now(): Date {
    return new Date(this.clock);
  }

  /** Lets days pass since it was taken in. */
  after(days: number): void {
    this.clock = Math.max(this.clock, this.start + days * DAY);
  }

  /** Lets time pass until a moment, ms; what is past already stays. */
  goTo(moment: number): void {
    this.clock = Math.max(this.clock, moment);
  }

  pass(ms: number): void {
    this.clock += ms;
  }

  async view(number: number): Promise<JobView> {
    const view = await loadJob(this.db, number);
    if (!view) throw new Error(`demo: no job ${number}`);
    return view;
  }
}
