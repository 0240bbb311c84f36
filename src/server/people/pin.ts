import { houseSecrets, newestSecret } from '../db/house-secrets.ts';
import { createHmac, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const;
const LENGTH = 32;

/** The house's own secret mixed into every PIN, so that a copied database alone does not give PINs away. */
const peppered = (pin: string, secret: string): Buffer => createHmac('sha256', secret).update(pin).digest();

const derive = (pin: string, salt: Buffer, secret: string): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(peppered(pin, secret), salt, LENGTH, COST, (e, key) => (e ? reject(e) : resolve(key)));
  });

/** Hashes a PIN with scrypt (32 MiB of memory a try) and its own salt. */
export async function hashPin(pin: string): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${salt.toString('base64')}$${(await derive(pin, salt, newestSecret())).toString('base64')}`;
}

/**
 * Whether a PIN is the one that was hashed; compared in constant time.
 * @returns `older` where it was hashed under a secret the house has changed since: it is to be hashed anew
 */
export async function pinFits(pin: string, hash: string): Promise<'no' | 'yes' | 'older'> {
  const [, salt = '', key = ''] = hash.split('$');
  const expected = Buffer.from(key, 'base64');
  for (const secret of houseSecrets().toReversed()) {
    const given = await derive(pin, Buffer.from(salt, 'base64'), secret);
    if (expected.length === given.length && timingSafeEqual(expected, given))
      return secret === newestSecret() ? 'yes' : 'older';
  }
  return 'no';
}

/** Whether a PIN is the one that was hashed. */
export const pinMatches = async (pin: string, hash: string): Promise<boolean> =>
  (await pinFits(pin, hash)) !== 'no';
