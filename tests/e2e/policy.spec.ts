import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { expect, request, type APIRequestContext, type Page } from '@playwright/test';
import { COMMANDS } from '../../src/contracts/commands/commands.ts';
import { A, freshContext, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

const ROLES = ['desk', 'technician', 'lead', 'owner'] as const;
type Role = (typeof ROLES)[number];
const PEOPLE: Readonly<Record<Role, readonly [name: string, pin: string]>> = {
  desk: ['Per Lindqvar', '9753'],
  technician: ['Tomas Vey', '1357'],
  lead: ['Ilse Marrow', '2468'],
  owner: ['Odile Farrant', '480216'],
};

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

/** Gives a command whose input says nothing: who may not is refused before anybody looks at it. */
const give = async (api: APIRequestContext, name: string, input: unknown = {}): Promise<number> =>
  (
    await api.post(`${A}/api/command`, {
      headers: { origin: A },
      data: { id: randomUUID(), name, input },
    })
  ).status();

test('the policy names every command once, and no other', () => {
  expect([...policy().keys()].sort()).toEqual(Object.keys(COMMANDS).sort());
});

for (const role of ROLES) {
  test(`what the ${role} may do is what the policy says, command by command`, async ({ browser }) => {
    const page: Page = await tablet(browser, A, ...PEOPLE[role]);
    const wrong: string[] = [];
    for (const [command, allowed] of policy()) {
      const status = await give(page.request, command);
      // 422: the house looked at the input, which says nothing; 403: it did not get that far.
      if (status !== (allowed[role] ? 422 : 403)) wrong.push(`${command}: ${status}`);
    }
    expect(wrong).toEqual([]);
  });
}

test('on one’s own job and on another’s alike', async ({ browser }) => {
  const tomas = await tablet(browser, A, ...PEOPLE.technician);
  for (const holder of ['mine', 'another’s']) {
    const number = await takenIn('ukulele', `Held ${holder}`);
    await tomas.goto(`${A}/job/${number}/arrival`);
    await expect(tomas.getByRole('heading', { level: 1 })).toContainText(`Held ${holder}`);
  }
  expect(await give(tomas.request, 'plan.worth', { jobId: 999_999, worthMinor: 1, version: 0 })).toBe(404);
});

test('without a session nothing is done, and a customer’s link opens nothing but its own options', async ({
  browser,
}) => {
  const nobody = await request.newContext();
  const link = await freshContext(browser, { baseURL: A });
  const token = 'k'.repeat(43);
  await link.addCookies([
    { name: 'rubrica_session', value: token, url: A },
    { name: 'rubrica_device', value: token, url: A },
  ]);
  for (const command of policy().keys()) {
    expect([command, await give(nobody, command)]).toEqual([command, 401]);
    expect([command, await give(link.request, command)]).toEqual([command, 401]);
  }
  const answered = await nobody.post(`${A}/api/offer/${token}`, {
    headers: { origin: A },
    data: { choice: 'leave', by: 'Nobody', note: '' },
  });
  expect(answered.status()).toBe(409);
  for (const said of [
    { lineId: 1, version: 0, answer: 'yes', by: 'Nobody' },
    { words: 'Anybody there?', by: 'Nobody' },
    { choice: 'leave', by: 'Nobody', note: '' },
  ])
    expect(
      (await nobody.post(`${A}/api/estimate/${token}`, { headers: { origin: A }, data: said })).status(),
    ).toBe(409);
  for (const path of ['photo/1', 'check', 'pdf'])
    expect([path, (await nobody.get(`${A}/api/link/${token}/${path}`)).status()]).toEqual([path, 404]);
  const elsewhere = await nobody.post(`${A}/api/offer/${token}`, {
    headers: { origin: 'https://elsewhere.invalid' },
    data: { choice: 'leave', by: 'Nobody', note: '' },
  });
  expect(elsewhere.status()).toBe(403);
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
    expect([path, (await nobody.get(`${A}${path}`)).status()]).toEqual([path, 401]);
  await nobody.dispose();
});
