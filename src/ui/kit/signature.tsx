'use client';

import { useEffect, useRef } from 'react';
import SignaturePad from 'signature_pad';

export type Strokes = { x: number; y: number }[][];

/** The size signatures are kept in, whatever the tablet. */
export const SIGNATURE_SIZE = { width: 600, height: 180 } as const;

/** A place to sign with a finger; hands up its strokes. */
export function SignatureField({ onChange }: { readonly onChange: (strokes: Strokes | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<SignaturePad | null>(null);
  const latest = useRef(onChange);
  useEffect(() => {
    latest.current = onChange;
  });
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    const made = new SignaturePad(element, { penColor: getComputedStyle(element).color });
    pad.current = made;
    const tell = () => {
      const { width, height } = element.getBoundingClientRect();
      const keep = (n: number, of: number, size: number) =>
        Math.round(Math.min(size, Math.max(0, (n / of) * size)) * 10) / 10;
      const strokes = made.toData().map((g) =>
        g.points.map((p) => ({
          x: keep(p.x, width, SIGNATURE_SIZE.width),
          y: keep(p.y, height, SIGNATURE_SIZE.height),
        })),
      );
      latest.current(strokes.length === 0 ? null : strokes);
    };
    made.addEventListener('endStroke', tell);
    return () => made.off();
  }, []);
  return (
    <div>
      <canvas
        ref={canvas}
        width={SIGNATURE_SIZE.width}
        height={SIGNATURE_SIZE.height}
        aria-label="Sign here with a finger; or type the name above and sign by keyboard"
        role="img"
        className="w-full max-w-[600px] touch-none border-b-2 border-plain bg-card text-ink"
      />
      <button
        type="button"
        className="button mt-2"
        onClick={() => {
          pad.current?.clear();
          onChange(null);
        }}
      >
        Clear
      </button>
    </div>
  );
}

/** A kept signature, drawn again. */
export function SignatureDrawing({ json }: { readonly json: string }) {
  const strokes = JSON.parse(json) as Strokes;
  return (
    <svg
      viewBox={`0 0 ${SIGNATURE_SIZE.width} ${SIGNATURE_SIZE.height}`}
      className="w-full max-w-[400px]"
      role="img"
      aria-label="Signature"
    >
      {strokes.map((s, i) => (
        <polyline
          key={i}
          points={s.map((p) => `${p.x},${p.y}`).join(' ')}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.5}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      ))}
    </svg>
  );
}
