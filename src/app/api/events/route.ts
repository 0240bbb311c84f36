import { listenToEvents } from '../../../server/live/feed.ts';
import { currentActor } from '../../_lib/session.ts';

export const dynamic = 'force-dynamic';

const HEARTBEAT_MS = 15_000;

/** Tells a screen what changed, as it happens: server-sent events fed from the event log. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentActor())) return new Response('signed out', { status: 401 });
  const encoder = new TextEncoder();
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          // the screen went away between the event and this line; abort follows
        }
      };
      send('retry: 1000\nevent: open\ndata: {}\n\n');
      const stop = listenToEvents((heard) =>
        send(`id: ${heard.at(-1)?.id ?? 0}\ndata: ${JSON.stringify(heard)}\n\n`),
      );
      const beat = setInterval(() => send(': still here\n\n'), HEARTBEAT_MS);
      request.signal.addEventListener('abort', () => {
        stop();
        clearInterval(beat);
        try {
          controller.close();
        } catch {
          // already closed by the other side
        }
      });
    },
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' },
  });
}
