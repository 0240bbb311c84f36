/** Whether the process is alive: it answers. */
export const GET = (): Response => Response.json({ ok: true });
