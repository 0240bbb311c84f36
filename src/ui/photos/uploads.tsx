'use client';

import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react';
import type { DetailedError } from 'tus-js-client';
import { refreshSoon } from '../data/refresh.ts';

/** Where photos belong. */
export interface PhotoTarget {
  readonly jobId: number;
  readonly markId?: number;
  readonly item?: string;
}

/** A photo on its way to the house. */
export interface Going extends PhotoTarget {
  readonly key: string;
  readonly name: string;
  readonly size: number;
  readonly sent: number;
  readonly state: 'waiting' | 'going' | 'refused';
  readonly message: string;
}

interface Kept extends PhotoTarget {
  readonly name: string;
  readonly file: Blob;
  readonly url: string | null;
}

interface UploadsContext {
  readonly going: readonly Going[];
  readonly add: (files: Iterable<File>, target: PhotoTarget) => void;
  readonly forget: (key: string) => void;
}

const Context = createContext<UploadsContext>({ going: [], add: () => undefined, forget: () => undefined });

/** The photos on their way, and how to send more. */
export const useUploads = (): UploadsContext => useContext(Context);

const PIECE = 1024 * 1024;
const AGAIN_MS = 3000;
const SMALL_STEPS = [300, 1000, 2000];
/** What sends comes when it is first wanted, or in a quiet moment before: a tablet may have no connection by then. */
const QUIET_MS = 4000;
const sender = () => import('tus-js-client');

const metadata = ({ jobId, markId, item, name }: Kept): Record<string, string> => ({
  filename: name,
  job: String(jobId),
  ...(markId !== undefined && { mark: String(markId) }),
  ...(item !== undefined && { item }),
});

/** What the house answered, when it refused for good; null when it could not be asked. */
function refusedBecause(error: Error): string | null {
  const answer = 'originalResponse' in error ? (error as DetailedError).originalResponse : null;
  const status = answer?.getStatus() ?? 0;
  return status >= 400 && status < 500 && status !== 401
    ? (answer?.getBody() || 'This photo was not taken.').trim()
    : null;
}

/**
 * Sends photos one after another while work goes on. What is chosen is kept on this tablet until the house has it: a lost
 * connection, a reload or a signed-out session delays it, and it goes on from the piece that was last kept.
 */
export function Uploads({ children }: { readonly children: ReactNode }) {
  const [going, setGoing] = useState<readonly Going[]>([]);
  const files = useRef(new Map<string, Kept>());
  const running = useRef<string | null>(null);
  const store = useRef<UseStore | null>(null);
  const [turn, setTurn] = useState(0);
  const change = useCallback(
    (key: string, what: Partial<Going>) =>
      setGoing((all) => all.map((g) => (g.key === key ? { ...g, ...what } : g))),
    [],
  );
  const keep = useCallback((key: string, kept: Kept) => {
    files.current.set(key, kept);
    if (store.current) void set(key, kept, store.current).catch(() => undefined);
  }, []);
  const forget = useCallback((key: string) => {
    files.current.delete(key);
    if (store.current) void del(key, store.current).catch(() => undefined);
    setGoing((all) => all.filter((g) => g.key !== key));
  }, []);
  const queue = useCallback((all: ReadonlyArray<readonly [string, Kept]>) => {
    const fresh = all.filter(([key]) => !files.current.has(key));
    for (const [key, kept] of fresh) files.current.set(key, kept);
    const shown = fresh.map(([key, { file, url: _u, ...k }]): Going => ({
      ...k,
      key,
      size: file.size,
      sent: 0,
      state: 'waiting',
      message: '',
    }));
    setGoing((before) => [...before, ...shown]);
  }, []);

  useEffect(() => {
    try {
      store.current = createStore('rubrica-photos', 'going');
      void entries<string, Kept>(store.current).then(queue, () => undefined);
    } catch {
      // A browser without its own store sends all the same; only a reload would then lose what is on its way.
    }
    const again = () => setTurn((n) => n + 1);
    window.addEventListener('online', again);
    const quiet = setTimeout(() => void sender().catch(() => undefined), QUIET_MS);
    return () => {
      clearTimeout(quiet);
      window.removeEventListener('online', again);
    };
  }, [queue]);

  useEffect(() => {
    const next = going.find((g) => g.state === 'waiting');
    const kept = next && files.current.get(next.key);
    if (!next || !kept || running.current !== null) return;
    const { key } = next;
    running.current = key;
    change(key, { state: 'going', message: '' });
    const rest = () => {
      running.current = null;
      setTurn((n) => n + 1);
    };
    const later = () => setTimeout(() => change(key, { state: 'waiting' }), AGAIN_MS);
    void sender().then(
      ({ Upload }) => {
        const upload = new Upload(kept.file, {
          endpoint: '/api/uploads',
          ...(kept.url !== null && { uploadUrl: kept.url }),
          chunkSize: PIECE,
          retryDelays: SMALL_STEPS,
          storeFingerprintForResuming: false,
          metadata: metadata(kept),
          onUploadUrlAvailable: () => keep(key, { ...kept, url: upload.url }),
          onProgress: (sent) => change(key, { sent }),
          onSuccess: () => {
            forget(key);
            refreshSoon();
            rest();
          },
          onError: (error) => {
            const because = refusedBecause(error);
            if (because !== null) change(key, { state: 'refused', message: because });
            else later();
            if (because !== null && store.current) void del(key, store.current).catch(() => undefined);
            if (because !== null) rest();
            else setTimeout(rest, AGAIN_MS);
          },
        });
        upload.start();
      },
      () => {
        later();
        rest();
      },
    );
  }, [going, turn, change, keep, forget]);

  const add = useCallback(
    (chosen: Iterable<File>, target: PhotoTarget) => {
      const all = [...chosen].map(
        (file) => [crypto.randomUUID(), { ...target, name: file.name, file, url: null }] as const,
      );
      queue(all);
      for (const [key, kept] of all) keep(key, kept);
    },
    [queue, keep],
  );
  const value = useMemo(() => ({ going, add, forget }), [going, add, forget]);
  const open = going.filter((g) => g.state !== 'refused').length;
  return (
    <Context value={value}>
      {children}
      <p aria-live="polite" className="fixed right-3 bottom-3 z-40">
        {open > 0 && (
          <span className="block border border-plain bg-card px-3 py-2 text-sm">
            {open === 1 ? 'One photo' : `${open} photos`} on the way
          </span>
        )}
      </p>
    </Context>
  );
}
