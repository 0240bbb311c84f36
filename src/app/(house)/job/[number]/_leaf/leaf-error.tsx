'use client';

import { useEffect } from 'react';
import { reportError } from '../../../../../ui/data/report-error.ts';
import { Notice } from '../../../../../ui/kit/notice.tsx';

/** What stands in a leaf's place when it could not be loaded: the rest of the house goes on. */
export default function LeafError({ error, reset }: { readonly error: Error; readonly reset: () => void }) {
  useEffect(() => reportError('a leaf', error), [error]);
  return (
    <Notice title="This leaf could not be loaded">
      <p>What was saved is safe. Try again; if it stays, tell whoever looks after Rubrica.</p>
      <button type="button" className="button button-main" onClick={reset}>
        Try again
      </button>
    </Notice>
  );
}
