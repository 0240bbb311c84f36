import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';
import { houseSecrets, newestSecret } from '../db/house-secrets.ts';

const keyOf = (secret: string): Buffer =>
  Buffer.from(hkdfSync('sha256', secret, 'rubrica', 'kept passwords', 32));

const NONCE = 12;
const TAG = 16;

/** A text that must be read again, such as a mail server's password: AES-256-GCM under the house's secret, as base64. */
export function sealText(text: string): string {
  const nonce = randomBytes(NONCE);
  const cipher = createCipheriv('aes-256-gcm', keyOf(newestSecret()), nonce);
  const body = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), body]).toString('base64');
}

function openUnder(secret: string, raw: Buffer): string | null {
  const opener = createDecipheriv('aes-256-gcm', keyOf(secret), raw.subarray(0, NONCE));
  opener.setAuthTag(raw.subarray(NONCE, NONCE + TAG));
  try {
    return Buffer.concat([opener.update(raw.subarray(NONCE + TAG)), opener.final()]).toString('utf8');
  } catch {
    return null;
  }
}

/** The text again; null where it was sealed by another house or changed since. */
export function openText(sealed: string): string | null {
  const raw = Buffer.from(sealed, 'base64');
  if (raw.length < NONCE + TAG) return null;
  for (const secret of houseSecrets().toReversed()) {
    const text = openUnder(secret, raw);
    if (text !== null) return text;
  }
  return null;
}
