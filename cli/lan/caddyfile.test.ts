import { caddyfile, isHostName } from './caddyfile.ts';

const WISH = {
  names: ['192.0.2.7', '[2001:db8::7]', 'bench.local'],
  port: 4443,
  trustPort: 4480,
  applications: [4370, 4371],
  token: 'abc',
  folder: '/srv/a place',
};

test('https for every name, the token for the application, and nothing else over plain http', () => {
  const text = caddyfile(WISH);
  expect(text).toContain('https://192.0.2.7:4443, https://[2001:db8::7]:4443, https://bench.local:4443 {');
  expect(text).toContain('reverse_proxy 127.0.0.1:4370 127.0.0.1:4371 {');
  expect(text).toContain('header_up X-Rubrica-Proxy abc');
  expect(text.match(/^http:.*/gm)).toEqual(['http://:4480 {']);
});

test('further shops: each by its own name alone, to its own application, with its own token', () => {
  const others = [
    { host: 'north.example', application: 4600, token: 'north-token' },
    { host: 'south.example', application: 4601, token: 'south-token' },
  ];
  const sites = caddyfile({ ...WISH, others })
    .split(/\n\n(?=http)/)
    .filter((s) => s.startsWith('https'));
  expect(sites).toHaveLength(3);
  expect(sites[1]).toContain('https://north.example:4443 {');
  expect(sites[1]).toContain('reverse_proxy 127.0.0.1:4600 {');
  expect(sites[1]).toContain('X-Rubrica-Proxy north-token');
  expect(sites[1]).not.toMatch(/4370|4601|abc|south/);
  expect(sites[0]).not.toMatch(/460|north|south/);
});

test.each([
  ['bench.local', true],
  ['bench', true],
  ['192.0.2.7', true],
  ['a b', false],
  ['x\n}', false],
  ['-x', false],
  ['', false],
  ['a'.repeat(64), false],
])('%j as a name: %s', (text, good) => expect(isHostName(text)).toBe(good));
