'use client';

/** Opens the printer's dialog. */
export function PrintButton({ low = true }: { readonly low?: boolean }) {
  return (
    <button
      type="button"
      className={`button button-main no-print ${low ? 'mt-6' : ''}`}
      onClick={() => window.print()}
    >
      Print
    </button>
  );
}
