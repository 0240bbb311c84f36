'use client';

import { Popover, PopoverButton, PopoverPanel } from '@headlessui/react';
import { ENLARGEMENTS } from './geometry.ts';
import { LINES, type LineChoice } from './sheet-lines.ts';

/** Which lines the drawing shows, and how far heights are enlarged. */
export function DrawingChoice({
  lines,
  onLines,
  chosen,
  onChosen,
}: {
  readonly lines: ReadonlySet<LineChoice>;
  readonly onLines: (lines: ReadonlySet<LineChoice>) => void;
  readonly chosen: number | null;
  readonly onChosen: (enlarged: number | null) => void;
}) {
  const turn = (line: LineChoice) =>
    onLines(new Set(lines.has(line) ? [...lines].filter((l) => l !== line) : [...lines, line]));
  return (
    <Popover>
      <PopoverButton className="button text-sm">Drawing</PopoverButton>
      <PopoverPanel
        anchor="bottom end"
        className="z-30 w-64 space-y-2 border border-plain bg-paper p-4 text-sm shadow-lg"
      >
        <fieldset>
          <legend className="label">Lines drawn</legend>
          {(Object.entries(LINES) as [LineChoice, string][]).map(([line, says]) => (
            <label key={line} className="flex min-h-11 cursor-pointer items-center gap-2">
              <input type="checkbox" checked={lines.has(line)} onChange={() => turn(line)} />
              {says}
            </label>
          ))}
        </fieldset>
        <label className="label" htmlFor="enlarged">
          Heights enlarged
        </label>
        <select
          id="enlarged"
          className="field"
          value={chosen ?? ''}
          onChange={(e) => onChosen(e.target.value === '' ? null : Number(e.target.value))}
        >
          <option value="">as it fits</option>
          {ENLARGEMENTS.map((n) => (
            <option key={n} value={n}>
              × {n}
            </option>
          ))}
        </select>
      </PopoverPanel>
    </Popover>
  );
}
