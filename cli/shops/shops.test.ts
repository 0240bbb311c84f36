import { existsSync, mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { enterShop, isFirst, noteShop, putAside, shopCalled, shops, surroundings } from './shops.ts';

let folder = '';
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'rubrica-shops-'));
  vi.stubEnv('RUBRICA_HOME', folder);
});
afterEach(() => {
  vi.unstubAllEnvs();
  rmSync(folder, { recursive: true, force: true });
});

test('a machine has one shop until another is written down; each has a folder and a port of its own', () => {
  expect(shops()).toEqual([]);
  const one = noteShop('north', 'north.example', null);
  const two = noteShop('south', 'south.example', { url: 'mariadb://x/y', runningUrl: 'mariadb://r/y' });
  expect(shops()).toEqual([one, two]);
  expect(shopCalled('south')).toEqual(two);
  expect(one.port).not.toBe(two.port);
  expect(statSync(one.folder).mode & 0o077).toBe(0);
});

test('names that are none, and what is taken already, are refused', () => {
  noteShop('north', 'north.example', null);
  expect(() => noteShop('../up', 'up.example', null)).toThrow('small letters');
  expect(() => noteShop('North', 'up.example', null)).toThrow('small letters');
  expect(() => noteShop('north', 'other.example', null)).toThrow('already');
  expect(() => noteShop('other', 'north.example', null)).toThrow('already');
  expect(() => shopCalled('nowhere')).toThrow('there is no shop nowhere');
});

test('nothing that names the first shop’s things reaches another', () => {
  const env = {
    PATH: '/bin',
    RUBRICA_DATABASE_URL: 'mariadb://first/a',
    RUBRICA_RUNNING_DATABASE_URL: 'mariadb://first/a',
    RUBRICA_SECRET: 's',
    RUBRICA_PUBLIC_URL: 'https://first.example',
    RUBRICA_HOSTS: 'first.example',
    RUBRICA_PROXY_TOKEN: 't',
    RUBRICA_COPIES: '/media/copies',
    RUBRICA_HOME: folder,
  };
  const north = noteShop('north', 'north.example', null);
  expect(surroundings(north, env)).toEqual({
    PATH: '/bin',
    RUBRICA_HOME: north.folder,
    RUBRICA_COPIES: '/media/copies/north',
  });
  const south = noteShop('south', 'south.example', {
    url: 'mariadb://south/a',
    runningUrl: 'mariadb://south/r',
  });
  expect(surroundings(south, env)).toMatchObject({
    RUBRICA_DATABASE_URL: 'mariadb://south/a',
    RUBRICA_RUNNING_DATABASE_URL: 'mariadb://south/r',
  });
});

test('a command enters a shop whole; a shop has none of its own', () => {
  const north = noteShop('north', 'north.example', null);
  expect(isFirst()).toBe(true);
  vi.stubEnv('RUBRICA_DATABASE_URL', 'mariadb://first/a');
  enterShop(north);
  expect(process.env['RUBRICA_DATABASE_URL']).toBeUndefined();
  expect(process.env['RUBRICA_HOME']).toBe(north.folder);
  expect(isFirst()).toBe(false);
  expect(shops()).toEqual([]);
});

test('a shop that is taken out is moved aside whole, and its name is free again', () => {
  const north = noteShop('north', 'north.example', null);
  const to = putAside(north, new Date('2026-05-04T10:00:00Z'));
  expect(existsSync(join(to, 'of-this-machine.json'))).toBe(true);
  expect(shops()).toEqual([]);
  expect(noteShop('north', 'north.example', null).name).toBe('north');
});
