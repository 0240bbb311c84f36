/** Runs what computes piece by piece to its end. */
export function toEnd<T>(pieces: Generator<unknown, T>): T {
  for (;;) {
    const { done, value } = pieces.next();
    if (done) return value;
  }
}
