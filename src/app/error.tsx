'use client';

import { Notice } from '../ui/kit/notice.tsx';

export default function ErrorPage({ reset }: { readonly error: Error; readonly reset: () => void }) {
  return (
    <main>
      <Notice title="Something broke here">
        <p>What was saved is safe. Try again; if it stays, tell a lead what you were doing.</p>
        <button type="button" className="button button-main" onClick={reset}>
          Try again
        </button>
      </Notice>
    </main>
  );
}
