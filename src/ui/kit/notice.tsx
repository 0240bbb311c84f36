import type { ReactNode } from 'react';

/** A designed state that is not the page itself: empty, not found, no permission, error. */
export function Notice({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section className="mx-auto max-w-xl px-6 py-16">
      <h1 className="mb-3 text-3xl">{title}</h1>
      <div className="space-y-4 text-lg">{children}</div>
    </section>
  );
}
