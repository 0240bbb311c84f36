const KEY = Symbol.for('rubrica.streams');
type Holder = { [KEY]?: Set<() => void> };

// Routes and the process's own start are separate module instances: what both need stands on globalThis.
const open = (): Set<() => void> => ((globalThis as Holder)[KEY] ??= new Set());

/** Keeps how an open stream is ended, as long as it is open; answers what forgets it. */
export function keepStream(end: () => void): () => void {
  open().add(end);
  return () => void open().delete(end);
}

/** How many streams are open. */
export const openStreams = (): number => open().size;

/** Ends every open stream: a house that closes waits for none; the screens ask again by themselves. */
export function endStreams(): void {
  for (const end of [...open()]) end();
}
