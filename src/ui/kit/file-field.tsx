'use client';

import { useId } from 'react';

/** A field for one file, with its trouble beside it; the same file may be chosen again. */
export function FileField({
  label,
  accept,
  wrong,
  disabled = false,
  onFile,
}: {
  readonly label: string;
  readonly accept: string;
  readonly wrong: string;
  readonly disabled?: boolean;
  readonly onFile: (file: File) => void;
}) {
  const id = useId();
  return (
    <div>
      <label className="label" htmlFor={id}>
        {label}
      </label>
      <input
        id={id}
        type="file"
        accept={accept}
        className="field cursor-pointer p-1 file:mr-3 file:min-h-9 file:cursor-pointer file:rounded file:border file:border-solid file:border-plain file:bg-card file:px-3 file:text-plain"
        disabled={disabled}
        aria-invalid={wrong !== '' || undefined}
        aria-describedby={wrong === '' ? undefined : `${id}-trouble`}
        onChange={(e) => {
          const [file] = e.target.files ?? [];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
      {wrong !== '' && (
        <p id={`${id}-trouble`} role="alert" className="mt-1 text-rubric">
          ◆ {wrong}
        </p>
      )}
    </div>
  );
}
