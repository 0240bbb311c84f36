type Listener = (e: { readonly data: unknown }) => void;

/** What a worker's module knows as `self`. */
class Scope {
  readonly listeners: Listener[] = [];
  answer: ((data: unknown) => void) | null = null;

  addEventListener(_: 'message', listener: Listener): void {
    this.listeners.push(listener);
  }

  postMessage(data: unknown): void {
    this.answer?.(structuredClone(data));
  }
}

const scopes = new Map<string, Promise<Scope>>();

/** Lets a worker's module see its own `self` from here on; answers how the document gets its own back. */
function becomes(scope: Scope): () => void {
  const world = globalThis as { self?: unknown };
  const before = world.self;
  world.self = scope;
  return () => {
    world.self = before;
  };
}

const loaded = (path: string): Promise<Scope> => {
  const known = scopes.get(path);
  if (known) return known;
  const scope = new Scope();
  const back = becomes(scope);
  const loading = import(/* @vite-ignore */ path).then(() => scope).finally(back);
  scopes.set(path, loading);
  return loading;
};

/** A worker whose module runs in the same thread: its answers are its own, only nothing runs beside the page. */
export class SameThreadWorker {
  onmessage: Listener | null = null;
  onerror: ((e: { readonly message: string }) => void) | null = null;
  private ended = false;

  private readonly url: URL;

  constructor(url: URL) {
    this.url = url;
  }

  postMessage(data: unknown): void {
    const asked = structuredClone(data);
    void loaded(this.url.pathname).then(
      (scope) => {
        if (this.ended) return;
        scope.answer = (answer) => {
          if (!this.ended) this.onmessage?.({ data: answer });
        };
        // The module answers before it gives the thread back.
        const back = becomes(scope);
        try {
          for (const listener of scope.listeners) listener({ data: asked });
        } finally {
          back();
        }
      },
      (e: unknown) => this.onerror?.({ message: e instanceof Error ? e.message : String(e) }),
    );
  }

  terminate(): void {
    this.ended = true;
  }
}
