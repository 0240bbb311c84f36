'use client';

const AGAIN_MS = 1500;

/** The whole answer, with the address it came from: a page half read is a page lost when the connection goes. */
async function inOnePiece(answer: Response): Promise<Response> {
  const body = answer.body === null ? null : await answer.arrayBuffer();
  const { status, statusText, headers } = answer;
  const copy = new Response(body, { status, statusText, headers });
  Object.defineProperty(copy, 'url', { value: answer.url });
  Object.defineProperty(copy, 'redirected', { value: answer.redirected });
  return copy;
}

/**
 * The router leaves the page, and with it what is being typed, when the next view of it cannot be fetched. So its own
 * requests wait for the connection and are asked again; every other request goes as it always did.
 */
export function retrying(plain: typeof fetch): typeof fetch {
  return async (input, init) => {
    const headers = new Headers(init?.headers ?? (input instanceof Request ? input.headers : undefined));
    if (!headers.has('RSC')) return plain(input, init);
    for (;;) {
      try {
        return await inOnePiece(await plain(input, init));
      } catch (e) {
        if (init?.signal?.aborted) throw e;
        await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
      }
    }
  };
}
