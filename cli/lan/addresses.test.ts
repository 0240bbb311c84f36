import type { NetworkInterfaceInfo } from 'node:os';
import { lanAddresses } from './addresses.ts';

const card = (address: string, family: 'IPv4' | 'IPv6', more: object = {}): NetworkInterfaceInfo =>
  ({
    address,
    family,
    internal: false,
    scopeid: 0,
    netmask: '',
    mac: '',
    cidr: null,
    ...more,
  }) as NetworkInterfaceInfo;

const CARDS = {
  lo: [card('127.0.0.1', 'IPv4', { internal: true })],
  eth0: [card('fe80::1', 'IPv6', { scopeid: 2 }), card('2001:db8::7', 'IPv6'), card('192.0.2.7', 'IPv4')],
};

test('the address a tablet can type first, then the others and the machine’s own name', () => {
  expect(lanAddresses(null, CARDS, 'Bench-PC')).toEqual({
    first: '192.0.2.7',
    all: ['192.0.2.7', '[2001:db8::7]', 'bench-pc.local'],
  });
});

test('a name the network knows goes before; a machine in no network has none', () => {
  expect(lanAddresses('workshop.example', CARDS, 'a b')?.all).toEqual([
    'workshop.example',
    '192.0.2.7',
    '[2001:db8::7]',
  ]);
  expect(lanAddresses(null, { lo: CARDS.lo }, 'x')).toBeNull();
});
