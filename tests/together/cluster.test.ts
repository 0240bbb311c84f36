/** Two applications behind the proxy on three databases that are one, a crowd at them, and again and again one of it all is killed. */
import { spawnSync } from 'node:child_process';
import { randomInt, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { buildIfNeeded } from '../../cli/base/build.ts';
import { lanAddresses } from '../../cli/lan/addresses.ts';
import { openDatabase, type Database } from '../../src/server/db/connection.ts';
import { execute } from '../../src/server/door/execute.ts';
import { verifySeals } from '../../src/server/hand-over/verify-seals.ts';
import { makePairingCode } from '../../src/server/people/pair-device.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { ClusterNodes } from './cluster-nodes.ts';
import { pause, signedIn } from './crowd.ts';
import { changesOf, gather, keptWhole, liveAll, type Gathered } from './gathered.ts';
import { logTellsState, visit } from './crowd-house.ts';
import { StartedHouse } from './started-house.ts';

const KILLS = Number(process.env['RUBRICA_KILLS'] ?? (LONG ? 40 : 5));
const BETWEEN = 20;
const OFTEN = { timeout: (KILLS + 10) * 60_000 };
const LAN_PORT = 4463;
const A = 4376;
const first = lanAddresses(null)?.first ?? 'localhost';
const address = `https://${first}:${LAN_PORT}`;

const nodes = new ClusterNodes();
let house: StartedHouse;
let db: Database;
let crowd: Gathered;
/** What was begun and how it is ended, also where the next thing could not be. */
const toEnd: (() => Promise<unknown>)[] = [];
const trusting = process.env['NODE_TLS_REJECT_UNAUTHORIZED'];

beforeAll(async () => {
  await buildIfNeeded();
  toEnd.unshift(() => nodes.remove());
  await nodes.begin();
  const named = first === 'localhost' ? ['--name', 'localhost'] : [];
  const options = ['--lan', '--lan-port', String(LAN_PORT), '--applications', '2', ...named];
  house = new StartedHouse(A, options, process.cwd(), {
    RUBRICA_DATABASE_URL: nodes.addresses('rubrica'),
    RUBRICA_RUNNING_DATABASE_URL: nodes.addresses('rubricarunning'),
  });
  toEnd.unshift(() => house.remove());
  await house.begin();
  process.env['RUBRICA_SECRET'] = readFileSync(join(house.folder, 'secret'), 'utf8').trim();
  // Whom a tablet trusts is tried elsewhere; here whoever answers will do.
  process.env['NODE_TLS_REJECT_UNAUTHORIZED'] = '0';
  db = openDatabase(nodes.addresses('rubrica'));
  toEnd.unshift(() => db.sequelize.close());
  crowd = await gather(db, [address]);
});

afterAll(async () => {
  for (const end of toEnd) await end();
  if (trusting === undefined) delete process.env['NODE_TLS_REJECT_UNAUTHORIZED'];
  else process.env['NODE_TLS_REJECT_UNAUTHORIZED'] = trusting;
});

/** What is killed, in turn, and what brings it back where nobody else does. */
const KILLED: ReadonlyArray<readonly [string, () => Promise<unknown>, () => Promise<unknown>]> = [
  ['the node that is asked', () => nodes.kill(1), () => nodes.comeAgain(1)],
  ['an application', () => killed('application'), () => Promise.resolve()],
  ['the node asked after it', () => nodes.kill(2), () => nodes.comeAgain(2)],
  ['the proxy', () => killed('proxy'), () => Promise.resolve()],
  ['the other application', () => killed('application 2'), () => Promise.resolve()],
];

async function killed(what: 'application' | 'application 2' | 'proxy'): Promise<void> {
  await house.until(`${what} is up`, () => house.kill(what));
}

test.runIf(LONG)(
  `${KILLS} times a node, an application or the proxy is killed: served on, nothing acknowledged is lost or doubled`,
  OFTEN,
  async () => {
    let over = false;
    const living = liveAll(crowd, () => over);
    const changes = (): number => changesOf(crowd);
    const goesOn = (what: string): Promise<void> => {
      const before = changes();
      return house.until(what, () => changes() - before >= BETWEEN);
    };
    const waited: string[] = [];
    for (let n = 0; n < KILLS; n++) {
      await goesOn(`kill ${n}: ${BETWEEN} changes since the last`);
      await pause(randomInt(400));
      const one = KILLED[n % KILLED.length];
      if (one === undefined) break;
      const [name, kill, bringBack] = one;
      await kill();
      const [at, before] = [Date.now(), changes()];
      await house.until(`served on without ${name}`, () => changes() > before);
      waited.push(`${name} ${((Date.now() - at) / 1000).toFixed(1)} s`);
      await goesOn(`goes on without ${name}`);
      await bringBack();
    }
    await goesOn('it goes on after the last');
    over = true;
    await living;
    const kept = await keptWhole(db, crowd, KILLS / 2);
    process.stdout.write(`${kept}; until served again: ${waited.join(', ')}\n`);
    // Every node says the same.
    const digests = await Promise.all(
      [1, 2, 3].map(async (n) => {
        const one = openDatabase(nodes.addresses('rubrica', n, 1));
        await logTellsState(one);
        const [rows] = await one.sequelize.query(
          'CHECKSUM TABLE events, jobs, readings, seal_ledger, hand_overs',
        );
        await one.sequelize.close();
        return JSON.stringify(rows);
      }),
    );
    expect(new Set(digests).size).toBe(1);
  },
);

test.runIf(LONG)(
  'people at several nodes at once: what would spoil another’s is undone and done again on top of it',
  async () => {
    const others = [2, 3].map((n) => openDatabase(nodes.addresses('rubrica', n)));
    const nodesAtOnce = [db, ...others];
    const lead = await db.models.Person.findOne({ where: { role: 'owner' }, rejectOnEmpty: true });
    const device = await db.models.Device.findOne({ rejectOnEmpty: true });
    const actor = { personId: lead.id, deviceId: device.id, name: lead.name, initials: 'L', role: lead.role };
    const EACH = 6;
    const taken = await Promise.all(
      nodesAtOnce.flatMap((at) =>
        Array.from({ length: EACH }, () =>
          execute(
            at,
            actor,
            'desk.take-in',
            visit(randomUUID(), { name: 'At once', email: '' }),
            randomUUID(),
          ),
        ),
      ),
    );
    const jobs = taken.flatMap((t) => (t.ok ? [t.value] : []));
    expect(new Set(jobs.map((j) => j.number)).size).toBe(nodesAtOnce.length * EACH);

    // A job is signed at one node while somebody writes remarks on it at another: whoever is second is told so.
    const checks = Object.fromEntries((crowd.desk[0]?.checks ?? []).map((key) => [key, true]));
    await Promise.all(
      jobs.map(async ({ jobId }, i) => {
        const [here, there] = [
          nodesAtOnce[i % nodesAtOnce.length] ?? db,
          nodesAtOnce[(i + 1) % nodesAtOnce.length] ?? db,
        ];
        const sign = async () => {
          const checked = await execute(
            here,
            actor,
            'hand-over.check',
            { jobId, version: 0, checks, exception: 'at once' },
            randomUUID(),
          );
          const version = checked.ok ? checked.value.version : -1;
          return execute(
            here,
            actor,
            'hand-over.sign',
            { jobId, version, signer: 'A', signature: null },
            randomUUID(),
          );
        };
        const remark = async () => {
          for (let n = 0; n < 8; n++)
            await execute(
              there,
              actor,
              'work.remark',
              { jobId, lineId: null, kind: 'note', words: `word ${n}`, toPerson: null },
              randomUUID(),
            );
        };
        const [signed] = await Promise.all([sign(), remark()]);
        expect(signed).toMatchObject({ ok: true });
      }),
    );
    const late = await db.sequelize.query(
      `SELECT r.id FROM events r JOIN events s ON s.job_id = r.job_id AND s.kind = 'signed' AND s.id < r.id
     WHERE r.job_id IN (:ids) AND r.kind = 'remark made'`,
      { type: QueryTypes.SELECT, replacements: { ids: jobs.map((j) => j.jobId) } },
    );
    expect(late).toEqual([]);
    expect(await verifySeals(db)).toMatchObject({ broken: [], ledger: [] });
    for (const at of others) await at.sequelize.close();
  },
);

/** What a screen hears at one of the applications until it has heard something. */
async function heardAt(port: number, cookie: string, something: string): Promise<string> {
  const stream = await fetch(`http://127.0.0.1:${port}/api/events`, { headers: { cookie } });
  const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader();
  let heard = '';
  while (!heard.includes(something)) {
    const piece = await reader?.read();
    if (piece?.value === undefined) break;
    heard += piece.value;
  }
  await reader?.cancel();
  return heard;
}

/** Whether an application serves. */
const serves = (port: number): Promise<boolean> =>
  fetch(`http://127.0.0.1:${port}/api/health/ready`).then(
    (answer) => answer.ok,
    () => false,
  );

test.runIf(LONG)('what is done at any node is heard at every application', async () => {
  // What was killed again and again is begun again with growing pauses.
  for (const port of [A, A + 1]) await house.until(`it serves at ${port}`, () => serves(port));
  const person = await db.models.Person.findOne({ where: { name: 'Hand 0' }, rejectOnEmpty: true });
  const cookie = await signedIn(address, await makePairingCode(db, new Date()), person.id, '1234');
  // Which numbers rows get differs from cluster to cluster: none is known beforehand.
  const device = await db.models.Device.findOne({ rejectOnEmpty: true });
  const last = openDatabase(nodes.addresses('rubrica', 3));
  const { id: personId, name, role } = person;
  const actor = { personId, deviceId: device.id, name, initials: 'H', role };
  let over = false;
  const streams = Promise.all([A, A + 1].map((port) => heardAt(port, cookie, 'remark made')));
  const doing = (async () => {
    const job = await last.models.Job.findOne({ where: { state: 'open' }, rejectOnEmpty: true });
    while (!over) {
      const remark = { jobId: job.id, lineId: null, kind: 'note', words: 'heard', toPerson: null } as const;
      expect(await execute(last, actor, 'work.remark', remark, randomUUID())).toMatchObject({ ok: true });
      await pause(200);
    }
  })();
  const all = streams.then((heard) => ((over = true), heard));
  // Where nothing can be done, nothing is waited for.
  const [heard] = await Promise.all([all, doing]).finally(() => (over = true));
  for (const one of heard) expect(one).toContain('remark made');
  await last.sequelize.close();
});

test.runIf(LONG)(
  'the one who looks after it is told which database is missing, and when all are there again',
  async () => {
    const doctor = (): string =>
      spawnSync(join(process.cwd(), 'rubrica'), ['doctor'], {
        encoding: 'utf8',
        env: { ...process.env, RUBRICA_DATABASE_URL: nodes.addresses('rubrica') },
      }).stdout;
    await nodes.kill(3);
    const missing = doctor();
    expect(missing).toMatch(/!! nodes +2 of 3 serve\n +does not answer: 127\.0\.0\.1:4503\. Start/);
    expect(missing).toMatch(/^ {3}record +up to date/m);
    await nodes.comeAgain(3);
    await house.until('all serve', () => / nodes +3 of 3 serve/.test(doctor()));
  },
);
