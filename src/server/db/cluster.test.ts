import { createServer, type Server } from 'node:net';
import type { AddressInfo } from 'node:net';
import { ConnectionError, DatabaseError } from 'sequelize';
import { addressesOf, isGone, Nodes, oneAddress, oneByOne, pauseBeforeTry } from './cluster.ts';

const opened: Server[] = [];

/** Something that says a word to whoever connects, as a database does. */
const speaking = (): Promise<Server> =>
  new Promise((resolve) => {
    const server = createServer((socket) => {
      socket.on('error', () => undefined);
      socket.end('hello');
    });
    opened.push(server);
    server.listen(0, '127.0.0.1', () => resolve(server));
  });
const portOf = (server: Server): number => (server.address() as AddressInfo).port;
const addressAt = (port: number): string => `mariadb://u:p@127.0.0.1:${port}/rubrica`;
const gone = (server: Server): Promise<void> => new Promise((resolve) => server.close(() => resolve()));

afterEach(async () => {
  for (const server of opened.splice(0)) if (server.listening) await gone(server);
});

test('one address, or several with spaces between them', () => {
  expect(addressesOf(' mariadb://a/x ')).toEqual(['mariadb://a/x']);
  expect(addressesOf('mariadb://a/x  mariadb://b/x\nmariadb://c/x')).toHaveLength(3);
});

test('one node is kept to while it serves; then the next that answers is taken, and kept to as well', async () => {
  const [a, b, c] = [await speaking(), await speaking(), await speaking()];
  const ports = [a, b, c].map(portOf);
  const nodes = new Nodes(ports.map(addressAt));
  expect(nodes.areSeveral).toBe(true);
  expect((await nodes.choose()).port).toBe(ports[0]);
  await gone(a);
  await gone(b);
  expect((await nodes.choose()).port).toBe(ports[2]);
  // The first is there again: nobody runs back to it.
  await new Promise<void>((resolve) => a.listen(ports[0], '127.0.0.1', resolve));
  expect((await nodes.choose()).port).toBe(ports[2]);
  expect(await oneAddress(ports.map(addressAt).join(' '))).toBe(addressAt(ports[0] ?? 0));
});

test('a node that answers and may serve nothing is left for the next; one that was left already is not left again', async () => {
  const [a, b] = [await speaking(), await speaking()];
  const [first, second] = [portOf(a), portOf(b)];
  const nodes = new Nodes([addressAt(first), addressAt(second)]);
  const there = await nodes.choose();
  nodes.leave(there);
  nodes.leave(there);
  expect((await nodes.choose()).port).toBe(second);
});

test('where none answers, the present one is tried', async () => {
  const a = await speaking();
  const port = portOf(a);
  await gone(a);
  expect((await new Nodes([addressAt(port)]).choose()).port).toBe(port);
  expect(await oneAddress(addressAt(port))).toBe(addressAt(port));
});

const said = (facts: { readonly errno?: number; readonly fatal?: boolean }): DatabaseError =>
  new DatabaseError(Object.assign(new Error('said'), { sql: '', ...facts }));

test.each([
  ['no connection', new ConnectionError(new Error('refused')), true],
  ['a node without the others', said({ errno: 1047 }), true],
  ['a connection that ended', said({ errno: 45009, fatal: true }), true],
  ['a statement that took too long', said({ errno: 1969, fatal: true }), false],
  ['another one was first', said({ errno: 1213 }), false],
  ['something else', new Error('else'), false],
])('%s: gone is %s', (_, error, is) => expect(isGone(error)).toBe(is));

test('the pauses grow, to a second, and to some seconds in all', () => {
  const pauses = Array.from({ length: 9 }, (_, n) => pauseBeforeTry(n));
  expect(pauses).toEqual([...pauses].sort((a, b) => a - b));
  expect(pauses.at(-1)).toBe(1000);
  expect(pauses.reduce((a, b) => a + b)).toBeGreaterThan(3000);
});

test('one after the other, in the order they came; one that fails holds nobody up, nor does one that never ends', async () => {
  const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
  // What waits for nobody else ends long before anybody is tired of it, on the slowest machine.
  const inQueue = oneByOne(600_000);
  const said: string[] = [];
  const one = (name: string, ms: number) =>
    inQueue(async () => {
      said.push(`${name} begins`);
      await pause(ms);
      said.push(`${name} ends`);
      if (name === 'b') throw new Error('b is undone');
      return name;
    });
  const all = await Promise.allSettled([one('a', 15), one('b', 1), one('c', 5)]);
  expect(all.map((r) => r.status)).toEqual(['fulfilled', 'rejected', 'fulfilled']);
  expect(said).toEqual(['a begins', 'a ends', 'b begins', 'b ends', 'c begins', 'c ends']);
  const tired = oneByOne(40);
  const never = tired(() => new Promise<string>(() => undefined));
  expect(await tired(() => Promise.resolve('goes anyway'))).toBe('goes anyway');
  expect(never).toBeInstanceOf(Promise);
});
