import type { ReactNode } from 'react';

/** The head of a place: its name, a note, and what stands at the right. */
export function PageHead({
  title,
  note,
  children,
}: {
  readonly title: string;
  readonly note?: string;
  readonly children?: ReactNode;
}) {
  return (
    <header className="flex min-h-16 items-center gap-4 border-b-2 border-plain px-5 py-2 max-sm:flex-wrap">
      <h1 className="max-w-2/3 text-3xl max-sm:max-w-full">{title}</h1>
      {note && <p className="min-w-24 wrap-anywhere text-quiet">{note}</p>}
      <div className="ml-auto flex flex-wrap items-center gap-3">{children}</div>
    </header>
  );
}
