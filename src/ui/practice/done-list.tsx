'use client';

import type { EntryView } from '../../core/practice/bench-view.ts';
import { wordsIn } from '../../core/units/words-in.ts';
import { HEARD_MARKS } from './heard-marks.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayValue } from '../../core/targets/say-values.ts';

/** What was done so far, the last first. */
export function DoneList({
  entries,
  unit,
}: {
  readonly entries: readonly EntryView[];
  readonly unit: DisplayUnit;
}) {
  if (entries.length === 0)
    return (
      <p className="text-quiet">Nothing yet. Tune it first, then read and look before anything is moved.</p>
    );
  return (
    <ol reversed className="max-h-120 overflow-y-auto text-sm" aria-label="Done so far" tabIndex={0}>
      {[...entries].reverse().map((e) => (
        <li key={e.n} className="border-b border-line py-1">
          <span className={e.kind === 'work' ? 'font-bold' : ''}>{wordsIn(e.what, unit)}</span>
          {e.quantity !== null && e.value !== null && (
            <span className="text-ink"> {sayValue(e.value, e.quantity, unit)}</span>
          )}
          {e.kind === 'read' && !e.atPitch && <span className="text-rubric"> ◆ not at pitch</span>}
          {e.says !== '' && (
            <span className={e.wrong ? 'text-rubric' : 'text-quiet'}>
              {' '}
              {e.wrong && `${e.mark === null ? '▲' : HEARD_MARKS[e.mark]} `}
              {e.says}
            </span>
          )}
        </li>
      ))}
    </ol>
  );
}
