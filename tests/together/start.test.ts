/** `./rubrica start` keeps the house up: whatever of it is killed, the start itself too, it is there again. */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { databasePlace } from '../../cli/base/database-place.ts';
import { runningServer } from '../../cli/base/private-database.ts';
import { StartedHouse } from './started-house.ts';
import { LONG } from '../../src/runs-for-tests.ts';

let house: StartedHouse;
const database = (): number | null => runningServer(databasePlace('database'));

beforeAll(async () => {
  await buildIfNeeded();
  house = new StartedHouse(4393);
  await house.begin();
});
afterAll(() => house.remove());

test('the application is killed: it is there again, and it was said', async () => {
  const pid = house.pidOf('application');
  process.kill(pid, 'SIGKILL');
  await house.until('another application', () => house.said.includes('the application is up again'));
  expect(await house.isUp()).toBe(true);
  expect(house.pidOf('application')).not.toBe(pid);
});

test.runIf(LONG)(
  'the application is killed while it begins again: nobody waits for the one that is gone',
  async () => {
    const pid = house.pidOf('application');
    process.kill(pid, 'SIGKILL');
    await house.until('one that begins', () => house.pidOf('application') !== pid);
    house.said = '';
    process.kill(house.pidOf('application'), 'SIGKILL');
    await house.until('another one', () => house.said.includes('the application is up again'));
    expect(house.said).toContain('cannot be started: the server ended at once');
    expect(await house.isUp()).toBe(true);
  },
);

test.runIf(LONG)('the database is killed: it is there again, and so is the house', async () => {
  const pid = database();
  process.kill(pid ?? 0, 'SIGKILL');
  await house.until(
    'the database is gone',
    async () => !(await house.isUp()) || house.said.includes('the database is up again'),
  );
  await house.until(
    'the house is up',
    async () => house.said.includes('the database is up again') && (await house.isUp()),
  );
  expect(database()).not.toBe(pid);
});

test.runIf(LONG)(
  'the start itself is killed: the next one ends what it left, by its own name, and opens',
  async () => {
    const orphan = house.pidOf('application');
    await house.stop('SIGKILL');
    expect(await house.isUp()).toBe(true);
    await house.begin();
    expect(house.said).toContain(`process ${orphan}`);
    expect(house.pidOf('application')).not.toBe(orphan);
  },
);

test.runIf(LONG)('what was not written down before the start was killed is ended, too', async () => {
  const orphan = house.pidOf('application');
  rmSync(join(house.folder, 'children.json'));
  await house.stop('SIGKILL');
  await house.begin();
  expect(house.said).toContain(`something was left running by a start that was killed (process ${orphan})`);
  expect(house.pidOf('application')).not.toBe(orphan);
});

test.runIf(LONG)(
  'left alone by a start that was killed, without its database, it does not go round in circles and ends when told',
  async () => {
    const orphan = house.pidOf('application');
    await house.stop('SIGKILL');
    process.kill(database() ?? 0, 'SIGKILL');
    // What it has to say of that goes to nobody.
    for (let i = 0; i < 3; i++) await fetch(`${house.base}/sign-in`).then((r) => r.text());
    await new Promise((go) => setTimeout(go, 1000));
    process.kill(orphan, 'SIGTERM');
    await house.until('it has ended', () => {
      try {
        process.kill(orphan, 0);
        return false;
      } catch {
        return true;
      }
    });
    await house.begin();
  },
);

test('told to stop while a tablet listens, it ends soon and leaves nothing running', async () => {
  // A connection that is never closed by its other side, as a tablet's that sleeps.
  const controller = new AbortController();
  const page = await fetch(`${house.base}/sign-in`, { signal: controller.signal });
  expect(page.status).toBeLessThan(500);
  const application = house.pidOf('application');
  expect(await house.stop()).toBe(0);
  controller.abort();
  expect(await house.isUp()).toBe(false);
  expect(() => process.kill(application, 0)).toThrow();
  expect(database()).toBeNull();
});
