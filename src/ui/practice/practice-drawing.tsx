'use client';

import type { Construction } from '../../core/instrument/construction.ts';
import { sheetGeometry, type Measured } from '../neck-sheet/geometry.ts';
import { SideView, type SheetLine } from '../neck-sheet/side-view.tsx';
import { useWidth } from '../kit/use-width.ts';
import { Sideways } from '../kit/sideways.tsx';

interface Props {
  readonly construction: Construction;
  readonly lines: readonly SheetLine[];
  readonly band: { readonly low: number; readonly aim: number; readonly high: number } | null;
  readonly says: string;
}

const HEIGHT = 176;
/** Room for the numbers of the frets under it, px. */
const NUMBERS = 16;
const TALLEST = 5;

/** The neck from the side as it was read, or, once it is opened, as it truly was. */
export function PracticeDrawing({ construction, lines, band, says }: Props) {
  const { ref, width } = useWidth(1100, 640);
  const bend: Measured = lines.at(-1)?.measured ?? { relief: null, action: null, nutGap: null };
  const tallest = Math.max(TALLEST, ...lines.map((l) => 2.2 * (l.measured.action ?? 0)));
  const geometry = sheetGeometry(construction, width, tallest);
  return (
    <div ref={ref} className="border-b border-line">
      <Sideways label="The neck">
        <svg width={geometry.width} height={HEIGHT + NUMBERS} role="img" aria-label={says}>
          <defs>
            <pattern
              id="target-hatch"
              width={6}
              height={6}
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <line x1={0} y1={0} x2={0} y2={6} stroke="var(--line)" strokeWidth={2} />
            </pattern>
          </defs>
          <SideView
            construction={construction}
            geometry={geometry}
            top={0}
            height={HEIGHT}
            lines={lines}
            band={band}
            bend={bend}
            saddleThickness={3}
            reliefRed={false}
            actionRed={false}
            named={lines.length > 1}
          />
        </svg>
      </Sideways>
    </div>
  );
}
