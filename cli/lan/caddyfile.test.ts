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
