'use client';

type Said =
  | { readonly words: string; readonly by: string }
  | { readonly lineId: number; readonly version: number; readonly answer: 'yes' | 'no'; readonly by: string };

type Heard = { readonly ok: true } | { readonly ok: false; readonly message: string };

/** Says something to the shop by a customer's link. */
export async function sayByLink(token: string, said: Said): Promise<Heard> {
  try {
    const answer = await fetch(`/api/estimate/${token}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(said),
    });
    return (await answer.json()) as Heard;
  } catch {
    return { ok: false, message: 'No connection. What you wrote is still here; try again.' };
  }
}
