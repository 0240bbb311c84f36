'use client';

/** Opens the printer's dialog. */
export function PrintButton() {
  return (
    <button type="button" className="button button-main no-print mt-6" onClick={() => window.print()}>
      Print
    </button>
  );
}
