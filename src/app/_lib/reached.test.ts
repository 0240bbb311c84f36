import { isFromHere, reachedBy, whyNotServed } from './reached.ts';

afterEach(() => vi.unstubAllEnvs());

const asked = (headers: Readonly<Record<string, string>>): Headers => new Headers(headers);
const FORWARDED = { 'x-forwarded-host': 'shop.example', 'x-forwarded-proto': 'https' };

test('a proxy is believed only with the token of a named one', () => {
  vi.stubEnv('RUBRICA_PROXY_TOKEN', 'a long token');
  const host = '127.0.0.1:4370';
  expect(reachedBy(asked({ host, ...FORWARDED }))).toEqual({ host, secure: false });
  expect(reachedBy(asked({ host, ...FORWARDED, 'x-rubrica-proxy': 'a wrong one!' }))).toEqual({
    host,
    secure: false,
  });
  expect(reachedBy(asked({ host, ...FORWARDED, 'x-rubrica-proxy': 'a long token' }))).toEqual({
    host: 'shop.example',
    secure: true,
  });
  vi.stubEnv('RUBRICA_PROXY_TOKEN', '');
  expect(reachedBy(asked({ host, ...FORWARDED, 'x-rubrica-proxy': '' })).secure).toBe(false);
});

test.each([
  ['the machine itself', '127.0.0.1:4370', {}, null],
  ['the machine by name', 'localhost:1', {}, null],
  ['the public address', 'shop.example', {}, null],
  ['another name, as after a name was pointed here', 'evil.example', {}, 'does not answer'],
  ['the machine’s name with something before it', 'x.127.0.0.1:4370', {}, 'does not answer'],
  ['a name of the shop’s network, over https', '192.0.2.2:4443', { 'x-forwarded-proto': 'https' }, null],
  ['the same over plain http', '192.0.2.2:4443', { 'x-forwarded-proto': 'http' }, 'https alone'],
  ['no name at all', '', {}, 'does not answer'],
])('%s', (_, host, more, why) => {
  vi.stubEnv('RUBRICA_PUBLIC_URL', 'https://shop.example');
  vi.stubEnv('RUBRICA_HOSTS', '192.0.2.2:4443,vm.local:4443');
  vi.stubEnv('RUBRICA_PROXY_TOKEN', 'a long token');
  const proxied = Object.keys(more).length > 0 ? { 'x-rubrica-proxy': 'a long token' } : {};
  const said = whyNotServed(asked({ host, ...more, ...proxied }));
  if (why === null) expect(said).toBeNull();
  else expect(said).toContain(why);
});

test('what is for the machine alone is not told through a proxy, named or not', () => {
  const host = '127.0.0.1:4370';
  expect(isFromHere(asked({ host }))).toBe(true);
  expect(isFromHere(asked({ host, 'x-forwarded-for': '::ffff:127.0.0.1' }))).toBe(true);
  for (const more of [
    { 'x-forwarded-for': '192.0.2.9' },
    { 'x-forwarded-for': '127.0.0.1, 192.0.2.9' },
    { 'x-rubrica-proxy': 'any' },
    { forwarded: 'for=192.0.2.9' },
    { host: 'shop.example' },
  ])
    expect(isFromHere(asked({ host, ...more } as Readonly<Record<string, string>>))).toBe(false);
});
