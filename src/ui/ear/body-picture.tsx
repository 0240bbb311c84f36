'use client';

import { useEffect, useRef } from 'react';
import type { BodyMode } from '../../core/sound/body-modes.ts';
import type { SoundPicture } from '../../core/sound/sound-picture.ts';

const HEIGHT = 220;
const SHOWN_HZ = 900;
const TICKS = [100, 200, 300, 400, 500, 600, 700, 800];

/** Paints the levels in the page's own ink, so that it reads on paper and in the dim workshop. */
function paint(canvas: HTMLCanvasElement, { columns, rows, levels }: SoundPicture): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const [r = 0, g = 0, b = 0] = (getComputedStyle(canvas).color.match(/[\d.]+/g) ?? []).map(Number);
  const image = context.createImageData(columns, rows);
  for (let c = 0; c < columns; c++)
    for (let k = 0; k < rows; k++) {
      const at = 4 * ((rows - 1 - k) * columns + c);
      image.data[at] = r;
      image.data[at + 1] = g;
      image.data[at + 2] = b;
      image.data[at + 3] = levels[c * rows + k] ?? 0;
    }
  context.putImageData(image, 0, 0);
}

/** A sound as a picture: time from left to right, pitch upward, the louder the darker; the resonances marked at its side. */
export function BodyPicture({
  picture,
  modes,
}: {
  readonly picture: SoundPicture;
  readonly modes: readonly BodyMode[];
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    if (canvas.current) paint(canvas.current, picture);
  }, [picture]);
  const seconds = picture.columns * picture.every;
  const high = ((picture.rows - 1) * picture.step) / SHOWN_HZ;
  const y = (hz: number): string => `${100 * (1 - hz / (SHOWN_HZ * high))}%`;
  return (
    <figure className="min-w-0">
      <div className="relative ml-10 border-b border-l border-plain" style={{ height: HEIGHT }}>
        <canvas
          ref={canvas}
          width={picture.columns}
          height={picture.rows}
          role="img"
          aria-label={`${seconds.toFixed(1)} seconds of sound up to ${SHOWN_HZ} Hz; the resonances are listed beside it`}
          className="h-full w-full"
        />
        {TICKS.map((hz) => (
          <span
            key={hz}
            className="absolute -left-10 w-9 -translate-y-1/2 text-right text-xs tabular-nums"
            style={{ top: y(hz) }}
          >
            {hz}
          </span>
        ))}
        {modes.map((m) => (
          <span
            key={m.hz}
            aria-hidden="true"
            className="absolute right-0 w-4 border-t-2 border-plain"
            style={{ top: y(m.hz) }}
          />
        ))}
      </div>
      <figcaption className="ml-10 text-sm text-quiet">
        {seconds.toFixed(1)} s from left to right, Hz upward; the darker the louder, over {picture.range} dB
      </figcaption>
    </figure>
  );
}
