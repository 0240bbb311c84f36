/** What a link shows that is unknown, too old or taken back: alike, so that it tells nothing. */
export function DeadLink() {
  return (
    <main className="mx-auto max-w-xl p-5">
      <h1 className="text-3xl">This link opens nothing any more</h1>
      <p className="py-3">
        It may be too old, or the shop has sent a newer one. Call the shop; they know your job.
      </p>
    </main>
  );
}
