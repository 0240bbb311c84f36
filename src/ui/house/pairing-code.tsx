'use client';

import { useState } from 'react';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { Trouble } from '../kit/trouble.tsx';

interface Square {
  readonly size: number;
  /** the path of its dark modules */
  readonly path: string;
}

/** A text as a square to scan; what draws it is loaded when it is wanted. */
async function squareOf(text: string): Promise<Square> {
  const { create } = await import('qrcode');
  const { modules } = create(text, { errorCorrectionLevel: 'M' });
  const dark = Array.from({ length: modules.size ** 2 }, (_, i) => i).filter((i) => modules.data[i] === 1);
  const path = dark.map((i) => `M${i % modules.size} ${Math.floor(i / modules.size)}h1v1h-1z`).join('');
  return { size: modules.size, path };
}

const QUIET = 2;

/** A square to scan, black on white in every theme. */
function SquareToScan({ label, square }: { readonly label: string; readonly square: Square }) {
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${-QUIET} ${-QUIET} ${square.size + 2 * QUIET} ${square.size + 2 * QUIET}`}
      className="w-56 bg-white"
    >
      <path d={square.path} fill="#000" />
    </svg>
  );
}

/** Where a tablet that was never here learns to trust this machine; drawn when it is wanted. */
function TrustFirst({ trust }: { readonly trust: string }) {
  const [square, setSquare] = useState<Square | null>(null);
  return (
    <details onToggle={() => void squareOf(trust).then(setSquare)}>
      <summary className="flex min-h-11 cursor-pointer items-center">
        A tablet that was never here first learns to trust this machine, once
      </summary>
      <p className="text-sm">
        Open <span className="font-mono">{trust}</span> on it, or scan this; then come back here.
      </p>
      {square && <SquareToScan label="The way to trust, to scan" square={square} />}
    </details>
  );
}

/** Makes a code for another tablet, to type or to scan. It is shown once. */
export function PairingCode({ address, trust }: { readonly address: string; readonly trust: string | null }) {
  const { give, busy, trouble } = useSend();
  const [made, setMade] = useState<{ code: string; expiresAt: string; square: Square } | null>(null);
  const make = async () => {
    const done = await give('devices.code', { uses: 1 });
    if (!done) return;
    const square = await squareOf(`${address}/pair?code=${done.code}`);
    setMade({ ...done, square });
  };
  return (
    <section aria-label="Another tablet" className="space-y-3">
      <h2 className="text-xl">Another tablet</h2>
      <p className="text-sm">
        On the new tablet open {address}/pair and type the code, or scan the square with its camera. A code is
        for one tablet.
      </p>
      {trust !== null && <TrustFirst trust={trust} />}
      <button type="button" className="button button-main" disabled={busy} onClick={() => void make()}>
        Make a code
      </button>
      {made && (
        <div className="space-y-2">
          <p role="status" className="font-mono text-3xl">
            {made.code}
          </p>
          <p className="text-sm text-quiet">good until {sayMoment(made.expiresAt)}</p>
          <SquareToScan label="The code to scan" square={made.square} />
        </div>
      )}
      <Trouble trouble={trouble} />
    </section>
  );
}
