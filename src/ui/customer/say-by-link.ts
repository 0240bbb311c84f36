'use client';

type Said =
  | { readonly words: string; readonly by: string }
  | { readonly choice: string; readonly by: string; readonly note: string }
  | { readonly lineId: number; readonly version: number; readonly answer: 'yes' | 'no'; readonly by: string };

type Taken = { readonly ok: true } | { readonly ok: false; readonly message: string };

/** Where the shop's house answered and could not do it: not the customer's connection, and not what they wrote. */
const THEIR_FAULT =
  'The shop could not take this just now. What you wrote is still here; try again, or call the shop.';

/** Says something to the shop by a customer's link. */
export async function sayByLink(
  token: string,
  said: Said,
  door: 'estimate' | 'offer' = 'estimate',
): Promise<Taken> {
  try {
    const answer = await fetch(`/api/${door}/${token}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(said),
    });
    return ((await answer.json().catch(() => null)) as Taken | null) ?? { ok: false, message: THEIR_FAULT };
  } catch {
    return { ok: false, message: 'No connection. What you wrote is still here; try again.' };
  }
}
