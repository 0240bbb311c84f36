import { createCipheriv, createDecipheriv, randomBytes, scrypt } from 'node:crypto';
import { z } from 'zod';

const base64 = z.string().regex(/^[A-Za-z0-9+/=]*$/);

/** A key made from a passphrase: what a machine keeps, so that a copy by night needs nobody. */
export const keySchema = z.object({ salt: base64, key: base64 });
export type PassphraseKey = z.infer<typeof keySchema>;

const secretSchema = z.union([
  z.object({ secret: z.string().min(16) }),
  z.object({ salt: base64, nonce: base64, tag: base64, sealed: base64 }),
]);

const COST = { N: 2 ** 16, r: 8, p: 1, maxmem: 128 * 1024 * 1024 } as const;

function derive(passphrase: string, salt: Buffer): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(passphrase.normalize('NFKC'), salt, 32, COST, (e, key) => (e ? reject(e) : resolve(key)));
  });
}

/** Makes the key of a passphrase, with a salt of its own. */
export async function keyOf(passphrase: string): Promise<PassphraseKey> {
  const salt = randomBytes(16);
  return { salt: salt.toString('base64'), key: (await derive(passphrase, salt)).toString('base64') };
}

/** The house's secret as it stands in a copy: under a passphrase's key, or open where there is none. */
export function writeSecret(secret: string, key: PassphraseKey | null): string {
  if (key === null) return JSON.stringify({ secret });
  const nonce = randomBytes(12);
  const cipher = createCipheriv('aes-256-gcm', Buffer.from(key.key, 'base64'), nonce);
  const sealed = Buffer.concat([cipher.update(secret, 'utf8'), cipher.final()]);
  const [n, tag, s] = [nonce, cipher.getAuthTag(), sealed].map((b) => b.toString('base64'));
  return JSON.stringify({ salt: key.salt, nonce: n, tag, sealed: s });
}

/** The secret again, or what is missing: a passphrase, or the right one. */
export async function readSecret(
  text: string,
  passphrase: string | null,
): Promise<{ readonly secret: string } | 'no passphrase' | 'wrong passphrase'> {
  const kept = secretSchema.parse(JSON.parse(text));
  if ('secret' in kept) return kept;
  if (passphrase === null || passphrase === '') return 'no passphrase';
  const bytes = (t: string): Buffer => Buffer.from(t, 'base64');
  const opener = createDecipheriv(
    'aes-256-gcm',
    await derive(passphrase, bytes(kept.salt)),
    bytes(kept.nonce),
  );
  opener.setAuthTag(bytes(kept.tag));
  try {
    const secret = Buffer.concat([opener.update(bytes(kept.sealed)), opener.final()]).toString('utf8');
    return { secret };
  } catch {
    return 'wrong passphrase';
  }
}
