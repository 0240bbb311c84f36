'use client';

import { Suspense, useState, type ReactNode } from 'react';

/** A form that is shown until it is done with. */
export type FormUntil = (done: () => void) => ReactNode;

/** What stands in the book, and the form that changes it in its place. */
export function Changing({
  name,
  may,
  form,
  children,
}: {
  readonly name: string;
  readonly may: boolean;
  readonly form: FormUntil;
  readonly children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  if (open) return <Suspense>{form(() => setOpen(false))}</Suspense>;
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-3 py-1">
      {children}
      {may && (
        <button
          type="button"
          className="button min-h-8 px-3"
          aria-label={`Change: ${name}`}
          onClick={() => setOpen(true)}
        >
          Change
        </button>
      )}
    </div>
  );
}

/** The button that adds one more, and its form; `empty` is said while there is nothing and none is being added. */
export function Adding({
  label,
  may,
  empty,
  form,
  children,
}: {
  readonly label: string;
  readonly may: boolean;
  /** what is said where there is nothing; null where there is something */
  readonly empty: string | null;
  readonly form: FormUntil;
  readonly children: ReactNode;
}) {
  const [adding, setAdding] = useState(false);
  return (
    <>
      {empty !== null && !adding && <p className="text-sm text-quiet">{empty}</p>}
      {children}
      {adding ? (
        <Suspense>{form(() => setAdding(false))}</Suspense>
      ) : (
        may && (
          <button type="button" className="button mt-2" onClick={() => setAdding(true)}>
            {label}
          </button>
        )
      )}
    </>
  );
}
