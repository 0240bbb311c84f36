import { hostname, networkInterfaces, type NetworkInterfaceInfo } from 'node:os';
import { isIPv6 } from 'node:net';

/** Where the tablets of a shop reach this machine. */
export interface LanAddresses {
  /** the one that is shown and printed */
  readonly first: string;
  /** every name and address the proxy answers to */
  readonly all: readonly string[];
}

const forUrl = (address: string): string => (isIPv6(address) ? `[${address}]` : address);

/**
 * The names and addresses of a machine in its own network.
 * @param name a name that the shop's network knows this machine by; null: none
 * @param interfaces its network cards
 * @param host what the machine calls itself
 * @returns null where it is in no network
 */
export function lanAddresses(
  name: string | null,
  interfaces: Readonly<Record<string, readonly NetworkInterfaceInfo[] | undefined>> = networkInterfaces(),
  host: string = hostname(),
): LanAddresses | null {
  const found = Object.values(interfaces)
    .flatMap((cards) => cards ?? [])
    // An address that is only good on one cable has no place on a square to scan.
    .filter((c) => !c.internal && !(c.family === 'IPv6' && c.scopeid !== 0))
    .sort((a, b) => a.family.localeCompare(b.family))
    .map((c) => forUrl(c.address));
  const first = name ?? found[0];
  if (first === undefined) return null;
  const machine = /^[a-z0-9-]+$/i.test(host) ? [`${host.toLowerCase()}.local`] : [];
  return { first, all: [...new Set([first, ...found, ...machine])] };
}
