'use client';

import { faultOf } from './wire.ts';

/** Posts to one of our own routes; answers null when it went well, else the words to show. */
export async function postJson(path: string, body: unknown): Promise<string | null> {
  try {
    const answer = await fetch(path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
    const said = (await answer.json().catch(() => null)) as {
      ok: boolean;
      error?: { message: string };
    } | null;
    if (said === null) return faultOf(answer.status).message;
    return said.ok ? null : (said.error?.message ?? 'That did not work.');
  } catch {
    return 'No connection to the shop. Try again.';
  }
}
