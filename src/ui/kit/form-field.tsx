'use client';

import { useId, type ReactNode } from 'react';

interface Wiring {
  readonly id: string;
  readonly 'aria-invalid': boolean | undefined;
  readonly 'aria-describedby': string | undefined;
}

/** A labelled field with its trouble beside it. */
export function FormField({
  label,
  error,
  className,
  children,
}: {
  readonly label: string;
  readonly error?: string | undefined;
  readonly className?: string;
  readonly children: (wiring: Wiring) => ReactNode;
}) {
  const id = useId();
  return (
    <div className={className}>
      <label className="label" id={`${id}-label`} htmlFor={id}>
        {label}
      </label>
      {children({
        id,
        'aria-invalid': error ? true : undefined,
        'aria-describedby': error ? `${id}-trouble` : undefined,
      })}
      {error && (
        <p id={`${id}-trouble`} role="alert" className="mt-0.5 text-sm text-rubric">
          ◆ {error}
        </p>
      )}
    </div>
  );
}
