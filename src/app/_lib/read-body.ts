import { notPlain } from '../../contracts/plain-text.ts';

/** The most bytes each kind of door takes of one request. */
export const MOST = {
  /** a name, a PIN, a code, a yes */
  few: 16 * 1024,
  /** a sum's input */
  sum: 256 * 1024,
  /** a command: the largest has a drawn signature in it */
  command: 2 * 1024 * 1024,
  /** a whole book of customers or instruments */
  book: 32 * 1024 * 1024,
} as const;

/**
 * Reads a request's body and counts as it comes: one that is said or found to be larger than allowed is not read on. Ask
 * everything that can be asked without the body (origin, session, token, permission) before.
 * @param most bytes
 * @returns the bytes, or null when there are more
 */
export async function readBytes(request: Request, most: number): Promise<Uint8Array | null> {
  const said = request.headers.get('content-length');
  if (Number(said ?? 0) > most) {
    await request.body?.cancel().catch(() => undefined);
    return null;
  }
  // The server reads no more of a body than it was said to have.
  if (said !== null) {
    const bytes = new Uint8Array(await request.arrayBuffer());
    return bytes.byteLength > most ? null : bytes;
  }
  if (!request.body) return new Uint8Array();
  const reader = (request.body as ReadableStream<Uint8Array>).getReader();
  const parts: Uint8Array[] = [];
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    size += value.byteLength;
    if (size > most) {
      await reader.cancel().catch(() => undefined);
      return null;
    }
    parts.push(value);
  }
  const whole = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.byteLength;
  }
  return whole;
}

/** What a body says as JSON: too large, or its value; what cannot be read as JSON, or be kept as text, is null. */
export type ReadJson = { readonly tooLarge: true } | { readonly tooLarge: false; readonly value: unknown };

/**
 * Reads a JSON body of at most so many bytes.
 * @param plainAlone false where what cannot be kept as text is told at its field
 */
export async function readJson(request: Request, most: number, plainAlone = true): Promise<ReadJson> {
  const bytes = await readBytes(request, most);
  if (bytes === null) return { tooLarge: true };
  try {
    const value = JSON.parse(new TextDecoder().decode(bytes)) as unknown;
    return { tooLarge: false, value: plainAlone && notPlain(value) !== null ? null : value };
  } catch {
    return { tooLarge: false, value: null };
  }
}

/** What a door answers to more than it takes; what comes after it on this connection is not read. */
export const tooLarge = (message = 'This is too large. Nothing was changed.'): Response =>
  Response.json(
    { ok: false, message, error: { code: 'invalid', message, fields: {} } },
    { status: 413, headers: { Connection: 'close' } },
  );
