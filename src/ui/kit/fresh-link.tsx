'use client';

import { useState } from 'react';
import { FormField } from './form-field.tsx';

/** A link that was made a moment ago: it is shown once, to be copied. `path` begins with a slash. */
export function FreshLink({
  path,
  words,
  label = 'The customer’s link',
}: {
  readonly path: string;
  readonly words: string;
  readonly label?: string;
}) {
  const [copied, setCopied] = useState(false);
  const url = `${window.location.origin}${path}`;
  return (
    <div className="space-y-1 border border-plain p-3">
      <p className="text-sm">{words}</p>
      <div className="flex items-end gap-2">
        <FormField label={label} className="min-w-0 flex-1">
          {(w) => <input {...w} className="field" readOnly value={url} onFocus={(e) => e.target.select()} />}
        </FormField>
        <button
          type="button"
          className="button"
          onClick={() => void navigator.clipboard.writeText(url).then(() => setCopied(true))}
        >
          {copied ? 'Copied' : 'Copy'}
        </button>
      </div>
    </div>
  );
}
