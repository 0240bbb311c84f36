/** Requests nobody would send, at every door and for every page: refused with words, never a fault, and nothing changes. */
import { Op, QueryTypes } from 'sequelize';
import type { Role } from '../../src/core/people/roles.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { random } from '../integration/any-input.ts';
import { signedIn } from '../signed-in.ts';
import { asking } from './asking.ts';
import { askHouse, DOORS, pageAt, PAGES_THERE } from './routes.ts';
import { screenHouse } from './screen-house.tsx';

const MANY = LONG ? 10_000 : 200;
const PAGES = LONG ? 2_000 : 100;
/** Another each day would not be found again: it is said when something fails. */
const SEED = Number(process.env['RUBRICA_SEED'] ?? 20_261_129);
const ROLES: readonly (Role | null)[] = [null, 'desk', 'technician', 'lead', 'owner'];

const house = screenHouse('any_request', 'demo');
const cookies = new Map<Role | null, ReadonlyMap<string, string>>();
let number = 0;

beforeAll(async () => {
  for (const role of ROLES) {
    if (role === null) continue;
    const person = await house.db().models.Person.findOne({ where: { role, active: true } });
    const given = await signedIn(house.db(), person?.id ?? 0, `${role}’s tablet`);
    cookies.set(role, new Map(given.map((c) => [c.name, c.value])));
  }
  number = (await house.db().models.Job.findOne({ rejectOnEmpty: true })).number;
});

const WORDS = [
  '', ' ', '0', '-1', '1', '1.5', '1e9', '99999999999999999999', 'NaN', 'null', '..', '%2e%2e', '../../etc/passwd', "' OR 1=1 --",
  '<script>alert(1)</script>', '\u0000', '🎸', 'ü'.repeat(300), 'x'.repeat(5_000), '2026-02-31', '0000-00-00', 'k'.repeat(43), '\r\nSet-Cookie: a=b',
]; // prettier-ignore

const BODIES = [
  '', '{', '[]', 'null', 'true', '""', '{}', '{"id":1}', '{"__proto__":{"admin":true}}', `{"id":"${'9'.repeat(400)}"}`, '[[[[[[]]]]]]',
  '\u0000', 'a=b&c=d', `${'['.repeat(5_000)}`, `{"name":"readings.save","id":"x","input":{}}`, '{"token":null,"by":"","choice":{}}', '%PDF-1.7',
  `{"words":"${'x'.repeat(2_000_000)}","by":"A"}`,
]; // prettier-ignore

const TYPES = ['application/json', 'text/plain', 'application/zip', 'application/offset+octet-stream', '']; // prettier-ignore

/**
 * What stands in the house, but for who was there, what was refused at the door, what is noted of both, the plan that is made when somebody
 * looks at the week, and answers that are swept away.
 */
const ASIDE = new Set(['events', 'sessions', 'presence', 'pin_troubles', 'failures', 'devices', 'planned_steps', 'job_dates', 'plan_moves', 'commands']); // prettier-ignore
async function standing(): Promise<unknown> {
  const { sequelize } = house.db();
  const all = await sequelize.query<object>('SHOW TABLES', { type: QueryTypes.SELECT });
  const tables = all.map((row) => String(Object.values(row)[0])).filter((t) => !ASIDE.has(t));
  return sequelize.query(`CHECKSUM TABLE ${tables.map((t) => `\`${t}\``).join(', ')}`, {
    type: QueryTypes.SELECT,
  });
}

/** Inner workings that nobody outside should read. */
const INNER = /\bat \S+:\d+:\d+|SequelizeDatabase|ER_[A-Z]{3}|node_modules|SELECT .* FROM|undefined is not/;

const waysOf = (next: () => number) => {
  const pick = <T,>(all: readonly T[]): T => all[Math.floor(next() * all.length)] as T;
  /** An address of a door: where it takes something, anything, or what is there. */
  const address = (parts: readonly string[]): string =>
    `/${parts.map((p) => (/^[:[]/.test(p) ? encodeURIComponent(next() < 0.3 ? String(number) : pick(WORDS)) || '-' : p)).join('/')}`;
  const query = (): string =>
    next() < 0.5
      ? ''
      : `?${pick(['q', 'from', 'to', 'page', 'sort', 'since', 'code', 'day', 'list'])}=${encodeURIComponent(pick(WORDS))}`;
  return { pick, address, query };
};

/** Reads what a door answers, but no stream that goes on for ever. */
async function textOf(answer: Response): Promise<string> {
  if ((answer.headers.get('content-type') ?? '').includes('event-stream')) {
    await answer.body?.cancel();
    return '';
  }
  return answer.text();
}

test(`${MANY} requests at ${DOORS.length} doors`, async () => {
  const next = random(SEED);
  const { pick, address, query } = waysOf(next);
  const before = await standing();
  const carriedOut = await house.db().models.CommandRow.findAll({ attributes: ['id'], raw: true });
  const seen = new Map<number, number>();
  const reached = new Set<string>();
  for (let i = 0; i < MANY; i++) {
    const { parts, load } = DOORS[i] ?? pick(DOORS);
    const role = pick(ROLES);
    asking.cookies = new Map(cookies.get(role) ?? []);
    const method = pick([...Object.keys(await load()), 'POST']);
    const path = `${address(parts)}${query()}`;
    const body = method === 'GET' || method === 'HEAD' ? null : pick(BODIES);
    const headers: Record<string, string> = { 'content-type': pick(TYPES) };
    if (next() < 0.3) headers['upload-length'] = pick(['-1', 'x', '99999999999999', '10']);
    if (next() < 0.3) headers['upload-offset'] = pick(['-1', 'x', '0', '7']);
    const what = `seed ${SEED}, number ${i}: ${role ?? 'nobody'} ${method} ${path.slice(0, 200)} ${body?.slice(0, 120) ?? ''}`;
    const answer = await askHouse(path, { method, headers, ...(body !== null && { body }) }).catch(
      (e: unknown) => {
        throw new Error(what, { cause: e });
      },
    );
    const text = await textOf(answer);
    seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
    reached.add(parts.join('/'));
    expect(answer.status, `${what}\n${text.slice(0, 300)}`).toBeLessThan(500);
    if (answer.status >= 400) expect(text, what).not.toMatch(INNER);
  }
  expect(reached.size).toBe(DOORS.length);
  // Who is let in and who is not, what is there and what is not: all of it was met.
  expect([...seen.keys()]).toEqual(expect.arrayContaining([200, 401, 403, 404, 422]));
  expect(await standing()).toEqual(before);
  const known = carriedOut.map((c) => c.id);
  expect(await house.db().models.CommandRow.count({ where: { id: { [Op.notIn]: known } } })).toBe(0);
});

/** How Next is told that there is nothing, or that one is to go elsewhere. */
const isPlain = (e: unknown): boolean =>
  (e instanceof Error && e.message.startsWith('there is no page')) ||
  /NEXT_(HTTP_ERROR_FALLBACK|REDIRECT|NOT_FOUND)/.test(String((e as { digest?: unknown } | null)?.digest));

test(`${PAGES} addresses of ${PAGES_THERE.length} pages`, async () => {
  const next = random(SEED + 1);
  const { pick, address, query } = waysOf(next);
  const before = await standing();
  for (let i = 0; i < PAGES; i++) {
    const parts = i < PAGES_THERE.length ? (PAGES_THERE[i] ?? []) : pick(PAGES_THERE);
    const role = pick(ROLES);
    asking.cookies = new Map(cookies.get(role) ?? []);
    const url = new URL(`${address(parts)}${query()}`, asking.base);
    await pageAt(url.pathname, url.searchParams).catch((e: unknown) => {
      if (!isPlain(e))
        throw new Error(`seed ${SEED}, number ${i}: ${role ?? 'nobody'} ${url.href}`, { cause: e });
    });
  }
  expect(await standing()).toEqual(before);
});
