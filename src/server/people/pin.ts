import { createHmac, randomBytes, scrypt, timingSafeEqual } from 'node:crypto';

const COST = { N: 2 ** 15, r: 8, p: 1, maxmem: 64 * 1024 * 1024 } as const;
const LENGTH = 32;

/** The house's own secret mixed into every PIN, so that a copied database alone does not give PINs away. */
const peppered = (pin: string): Buffer =>
  createHmac('sha256', process.env['RUBRICA_SECRET'] ?? '')
    .update(pin)
    .digest();

const derive = (pin: string, salt: Buffer): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    scrypt(peppered(pin), salt, LENGTH, COST, (e, key) => (e ? reject(e) : resolve(key)));
  });

/** Hashes a PIN with scrypt (32 MiB of memory a try) and its own salt. */
export async function hashPin(pin: string): Promise<string> {
  const salt = randomBytes(16);
  return `scrypt$${salt.toString('base64')}$${(await derive(pin, salt)).toString('base64')}`;
}

/** Whether a PIN is the one that was hashed; compared in constant time. */
export async function pinMatches(pin: string, hash: string): Promise<boolean> {
  const [, salt = '', key = ''] = hash.split('$');
  const expected = Buffer.from(key, 'base64');
  const given = await derive(pin, Buffer.from(salt, 'base64'));
  return expected.length === given.length && timingSafeEqual(expected, given);
}
