import { database } from '../../../server/db/connection.ts';
import { changesSince, listenToEvents, type LogPosition } from '../../../server/live/feed.ts';
import { keepStream } from '../../../server/keep/open-streams.ts';
import { seeDevice } from '../../../server/people/who.ts';
import { actorNow, currentActor } from '../../_lib/request-actor.ts';

const HEARTBEAT_MS = 15_000;
/** A screen for which so many lines wait reads no more: it is let go, and asks anew when it is there again. */
const MOST_WAITING = 200;
/** What may end a session that is open elsewhere: whoever listens is asked again who they are. */
const ENDS_SESSIONS: ReadonlySet<string> = new Set([
  'device sent away',
  'person left',
  'PIN set',
  'own PIN changed',
  'signed out everywhere',
  'signed in',
  'signed out',
  'doors changed',
]);

/** How far the log went when the page that asks was made: `since=NEWEST.COUNT`; null where it does not say so. */
function madeFrom(request: Request): LogPosition | null {
  const [, newest, count] =
    /^(\d{1,15})\.(\d{1,6})$/.exec(new URL(request.url).searchParams.get('since') ?? '') ?? [];
  return newest === undefined || count === undefined
    ? null
    : { newest: Number(newest), count: Number(count) };
}

/** Writes lines to a screen; one that reads no more is let go. */
function linesTo(
  controller: ReadableStreamDefaultController<Uint8Array>,
  letGo: () => void,
): (text: string) => void {
  const encoder = new TextEncoder();
  return (text) => {
    if ((controller.desiredSize ?? 0) < -MOST_WAITING) return letGo();
    try {
      controller.enqueue(encoder.encode(text));
    } catch {
      // the screen went away between the event and this line; abort follows
    }
  };
}

/** Tells a screen what changed, as it happens: server-sent events fed from the event log, for as long as its session stands. */
export async function GET(request: Request): Promise<Response> {
  const actor = await currentActor(request);
  if (!actor) return new Response('signed out', { status: 401 });
  const again = actorNow(request);
  const since = madeFrom(request);
  await seeDevice(database(), actor, new Date());
  let end = (): void => undefined;
  const stream = new ReadableStream<Uint8Array>({
    cancel: () => end(),
    start(controller) {
      const send = linesTo(controller, () => {
        leave();
        // What waits is dropped: closing alone would keep it for a reader that never comes.
        controller.error(new Error('nobody reads'));
      });
      send('retry: 1000\n\n');
      let stop = (): void => undefined;
      let forget = (): void => undefined;
      const leave = () => {
        stop();
        forget();
        clearInterval(beat);
      };
      end = () => {
        leave();
        try {
          controller.close();
        } catch {
          // already closed by the other side
        }
      };
      const stillThere = async () => {
        if ((await again()) !== null) return;
        send('event: signed-out\ndata: {}\n\n');
        end();
      };
      const tellMissed = async (position: LogPosition) => {
        const missed = await changesSince(database(), position);
        if (missed.length > 0) send(`data: ${JSON.stringify(missed)}\n\n`);
      };
      forget = keepStream(end);
      stop = listenToEvents(
        (heard) => {
          send(`id: ${heard.at(-1)?.id ?? 0}\ndata: ${JSON.stringify(heard)}\n\n`);
          if (heard.some((h) => ENDS_SESSIONS.has(h.kind))) void stillThere().catch(() => undefined);
        },
        () => {
          send('event: begun\ndata: {}\n\n');
          // Between the making of the page and now others went on.
          if (since !== null) void tellMissed(since).catch(end);
        },
      );
      const beat = setInterval(() => {
        send(': still here\n\n');
        void stillThere().catch(() => undefined);
      }, HEARTBEAT_MS);
      request.signal.addEventListener('abort', end);
    },
  });
  return new Response(stream, {
    headers: { 'Content-Type': 'text/event-stream', 'Cache-Control': 'no-store', 'X-Accel-Buffering': 'no' },
  });
}
