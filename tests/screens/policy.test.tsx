/** Who may what, at the doors themselves: what the written policy says, command by command, and nothing without a session. */
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { COMMANDS } from '../../src/contracts/commands/commands.ts';
import { ROLES, type Role } from '../../src/core/people/roles.ts';
import { signedIn } from '../signed-in.ts';
import { asking } from './asking.ts';
import { askHouse } from './routes.ts';
import { screenHouse } from './screen-house.tsx';

const house = screenHouse('screens_policy');

/** The written policy: what each role may do, by command. */
function policy(): ReadonlyMap<string, Readonly<Record<Role, boolean>>> {
  const rows = [...readFileSync('docs/policy.md', 'utf8').matchAll(/^\| `([a-z.-]+)`\s*\|(.+)\|$/gm)];
  return new Map(
    rows.map(([, command = '', cells = '']) => {
      const said = cells.split('|').map((c) => c.trim());
      const of = (i: number): boolean => {
        const cell = said[i];
        if (cell !== 'yes' && cell !== 'no') throw new Error(`${command}: “${cell}” is neither yes nor no`);
        return cell === 'yes';
      };
      return [command, { desk: of(0), technician: of(1), lead: of(2), owner: of(3) }];
    }),
  );
}

/** From now on somebody of a role asks, or nobody. */
async function as(role: Role | null): Promise<void> {
  const person = role && (await house.db().models.Person.findOne({ where: { role }, rejectOnEmpty: true }));
  const cookies = person ? await signedIn(house.db(), person.id, `${role}’s tablet`) : [];
  asking.cookies = new Map(cookies.map((c) => [c.name, c.value]));
}

const post = async (path: string, data: unknown, headers: Readonly<Record<string, string>> = {}) =>
  (
    await askHouse(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...headers },
      body: JSON.stringify(data),
    })
  ).status;
const get = async (path: string): Promise<number> => (await askHouse(path)).status;
/** Gives a command whose input says nothing: who may not is refused before anybody looks at it. */
const give = (name: string, input: unknown = {}): Promise<number> =>
  post('/api/command', { id: randomUUID(), name, input });

test('the policy names every command once, and no other', () => {
  expect([...policy().keys()].sort()).toEqual(Object.keys(COMMANDS).sort());
});

test.each(ROLES)('what the %s may do is what the policy says, command by command', async (role) => {
  await as(role);
  const wrong: string[] = [];
  for (const [command, allowed] of policy()) {
    const status = await give(command);
    // 422: the house looked at the input, which says nothing; 403: it did not get that far.
    if (status !== (allowed[role] ? 422 : 403)) wrong.push(`${command}: ${status}`);
  }
  expect(wrong).toEqual([]);
});

test('on one’s own job and on another’s alike; what is not there is not there', async () => {
  const mine = await house.takeIn('ukulele', 'Held mine');
  await house.takeIn('ukulele', 'Held another’s');
  const technician = await house.db().models.Person.findOne({ where: { role: 'technician' } });
  await house.db().models.Job.update({ holderId: technician?.id ?? 0 }, { where: { id: mine.jobId } });
  for (const maker of ['Held mine', 'Held another’s']) {
    const instrument = await house.db().models.Instrument.findOne({ where: { maker }, rejectOnEmpty: true });
    const job = await house.db().models.Job.findOne({ where: { instrumentId: instrument.id } });
    const hand = await house.show('technician', `/job/${job?.number ?? 0}/arrival`);
    await hand.one('heading', maker);
  }
  await as('technician');
  expect(await give('plan.worth', { jobId: 999_999, worthMinor: 1, version: 0 })).toBe(404);
});

test('without a session nothing is done, and a customer’s link opens nothing but its own options', async () => {
  const token = 'k'.repeat(43);
  for (const cookies of [
    [],
    [
      ['rubrica_session', token],
      ['rubrica_device', token],
    ],
  ] as const) {
    asking.cookies = new Map(cookies);
    for (const command of policy().keys()) expect([command, await give(command)]).toEqual([command, 401]);
  }
  await as(null);
  const choice = { choice: 'leave', by: 'Nobody', note: '' };
  expect(await post(`/api/offer/${token}`, choice)).toBe(409);
  for (const said of [
    { lineId: 1, version: 0, answer: 'yes', by: 'Nobody' },
    { words: 'Anybody there?', by: 'Nobody' },
    choice,
  ])
    expect(await post(`/api/estimate/${token}`, said)).toBe(409);
  for (const path of ['photo/1', 'check', 'pdf'])
    expect([path, await get(`/api/link/${token}/${path}`)]).toEqual([path, 404]);
  expect(await post(`/api/offer/${token}`, choice, { origin: 'https://elsewhere.invalid' })).toBe(403);
  for (const path of [
    '/api/operations',
    '/api/job/412/history',
    '/api/job/412/readings',
    '/api/job/412/readings.csv',
    '/api/frame',
    '/api/events',
    '/api/job/412/paper/bench',
    '/api/job/412/wait',
  ])
    expect([path, await get(path)]).toEqual([path, 401]);
});
