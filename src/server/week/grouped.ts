/** Rows by their job, in their order. */
export function grouped<T extends { readonly jobId: number }>(rows: readonly T[]): ReadonlyMap<number, T[]> {
  const by = new Map<number, T[]>();
  for (const r of rows) {
    const own = by.get(r.jobId);
    if (own) own.push(r);
    else by.set(r.jobId, [r]);
  }
  return by;
}
