'use client';

import { sayTurn } from '../../core/neck/say-turn.ts';
import { formatLength } from '../../core/units/format-length.ts';
import { useDisplayUnit, useWords } from '../data/display-unit.ts';
import { amountUnit } from '../../core/targets/say-values.ts';
import { LoggedRow } from './logged-row.tsx';
import { LogTurn } from './log-turn.tsx';
import type { Line } from './clock.tsx';

/** The turns of a rod where they are made; the next one follows from what they have done. */
export function RodTurns({ line, may }: { readonly line: Line; readonly may: boolean }) {
  const unit = amountUnit(useDisplayUnit()[0]);
  const words = useWords();
  if (line.rod === null) return null;
  const relief = (mm: number | null): string => (mm === null ? 'not read' : formatLength(mm, unit));
  const { turns, next, way } = line.rod;
  const at = line.step === 'running' || line.step === 'paused';
  if (!at && turns.length === 0) return null;
  return (
    <section aria-label={`Turns: ${line.title}`} className="space-y-2 border-l-2 border-line pl-3">
      {turns.length > 0 && (
        <ol className="space-y-1">
          {turns.map((t, i) => (
            <LoggedRow
              key={t.id}
              by={t.by}
              at={t.at}
              back={
                may && at && i === turns.length - 1
                  ? { name: 'work.take-back-turn', input: { turnId: t.id, version: t.version } }
                  : null
              }
            >
              {t.eighths > 0 ? 'Tightened' : 'Loosened'} {sayTurn(t.eighths)}: {relief(t.before)} →{' '}
              <b>{t.after === null ? 'blind, not read yet' : relief(t.after)}</b>
            </LoggedRow>
          ))}
        </ol>
      )}
      {at && <p>{words(next)}</p>}
      {may && at && <LogTurn line={line} way={way} />}
    </section>
  );
}
