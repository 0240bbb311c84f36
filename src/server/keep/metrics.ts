import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { database } from '../db/connection.ts';
import { openStreams } from './open-streams.ts';

/** What is counted and measured in this process, in the field's usual form. No name, number or word of anybody is in it. */
interface Metrics {
  readonly registry: Registry;
  readonly commands: Counter<'name' | 'outcome'>;
  readonly seconds: Histogram<'name'>;
}

const KEY = Symbol.for('rubrica.metrics');
type Holder = { [KEY]?: Metrics };

/** Of the pool of connections to the database, as its library keeps it. */
interface Pool {
  readonly size: number;
  readonly available: number;
  readonly waiting: number;
}

function make(): Metrics {
  const registry = new Registry();
  const registers = [registry];
  collectDefaultMetrics({ register: registry, prefix: 'rubrica_' });
  new Gauge({
    name: 'rubrica_event_streams',
    help: 'Screens that hear of changes as they happen.',
    registers,
    collect() {
      this.set(openStreams());
    },
  });
  new Gauge({
    name: 'rubrica_database_connections',
    help: 'Connections to the database, by what they do.',
    labelNames: ['state'],
    registers,
    collect() {
      const manager = database().sequelize.connectionManager as unknown as { readonly pool: Pool };
      const { size, available, waiting } = manager.pool;
      this.set({ state: 'open' }, size);
      this.set({ state: 'idle' }, available);
      this.set({ state: 'awaited' }, waiting);
    },
  });
  return {
    registry,
    commands: new Counter({
      name: 'rubrica_commands_total',
      help: 'Commands by name and how they were answered.',
      labelNames: ['name', 'outcome'],
      registers,
    }),
    seconds: new Histogram({
      name: 'rubrica_command_seconds',
      help: 'How long commands took, by name.',
      labelNames: ['name'],
      buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5],
      registers,
    }),
  };
}

// Routes are separate module instances: what is counted stands on globalThis.
export const metrics = (): Metrics => ((globalThis as Holder)[KEY] ??= make());

/** Counts a command that was answered: `ok`, why it was refused, or `fault`. */
export function countCommand(name: string, outcome: string, beganAt: number): void {
  const { commands, seconds } = metrics();
  commands.inc({ name, outcome });
  seconds.observe({ name }, (performance.now() - beganAt) / 1000);
}
