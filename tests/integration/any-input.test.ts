import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { COMMANDS, type CommandName } from '../../src/contracts/commands/commands.ts';
import { anyOf, random, shapeOf } from './any-input.ts';
import { intake, staffedHouse, value } from './house.ts';
import { execute } from '../../src/server/door/execute.ts';
import { loadHistory } from '../../src/server/jobs/load-history.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { LONG } from '../../src/runs-for-tests.ts';

const MANY = LONG ? 10_000 : 200;
/** Another each day of a long run would not be found again: it is said when something fails. */
const SEED = Number(process.env['RUBRICA_SEED'] ?? 20_261_127);
const NAMES = Object.keys(COMMANDS) as CommandName[];

let house: Awaited<ReturnType<typeof staffedHouse>>;
beforeAll(async () => {
  house = await staffedHouse('any_input');
  for (const kind of ['steel-acoustic', 'bass', 'ukulele'] as const)
    value(await house.give(house.desk, 'desk.take-in', intake(kind)));
});
afterAll(() => house.db.sequelize.close());

const rowsOf = async (): Promise<number> => {
  const { CommandRow, EventRow } = house.db.models;
  return (await CommandRow.count()) + (await EventRow.count());
};

test(`${MANY} inputs nobody would type: each is carried out or refused with words, none is a fault`, async () => {
  const next = random(SEED);
  const shapes = new Map(NAMES.map((name) => [name, shapeOf(name)]));
  const people = [house.desk, house.technician, house.lead, house.owner];
  const ended = new Map<string, number>();
  for (let i = 0; i < MANY; i++) {
    const name = NAMES[Math.floor(next() * NAMES.length)] as CommandName;
    const actor = people[Math.floor(next() * people.length)] ?? house.owner;
    const broken = next() < 0.6 ? 0 : next() * 0.3;
    const input = anyOf(shapes.get(name) ?? {}, next, broken);
    const what = `seed ${SEED}, number ${i}: ${name} ${JSON.stringify(input)?.slice(0, 600)}`;
    const before = await rowsOf();
    const done = await execute(house.db, actor, name, input, randomUUID()).catch((e: unknown) => {
      throw new Error(what, { cause: e });
    });
    const code = done.ok ? 'ok' : done.error.code;
    ended.set(code, (ended.get(code) ?? 0) + 1);
    if (done.ok) continue;
    expect(done.error.message, what).toMatch(/\S/);
    expect(done.error.message, what).not.toMatch(/\bat \S+:\d+|SQL|ER_|undefined|\[object/);
    expect(await rowsOf(), what).toBe(before);
  }
  // All of what can come out of it came out of it.
  expect([...ended.keys()].sort()).toEqual(
    expect.arrayContaining(['invalid', 'not-allowed', 'not-found', 'ok']),
  );
  for (const job of await house.db.models.Job.findAll()) {
    expect(await loadJob(house.db, job.number)).not.toBeNull();
    await loadHistory(house.db, job.number);
  }
});
