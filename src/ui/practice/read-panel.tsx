'use client';

import type { StationView } from '../../core/practice/bench-view.ts';
import { SHEET_PARTS, type SheetPart } from '../../core/readings/stations.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import type { DisplayUnit } from '../../core/units/length-units.ts';
import { sayValue, sayVerdict } from '../../core/targets/say-values.ts';
import type { Practice } from './use-practice.ts';

type Props = {
  readonly stations: readonly StationView[];
  readonly unit: DisplayUnit;
  readonly practice: Practice;
};

const WHY = { stale: 'work has moved it', 'not-at-pitch': 'read away from pitch' } as const;

function Value({ s, unit }: { readonly s: StationView; readonly unit: DisplayUnit }) {
  if (s.value === null) return <span className="text-quiet">not read</span>;
  const said = sayValue(s.value, s.quantity, unit);
  if (s.state === 'stale' || s.state === 'not-at-pitch')
    return (
      <span>
        <s className="text-ink">{said}</s> <span className="text-sm text-rubric">◆ {WHY[s.state]}</span>
      </span>
    );
  const verdict =
    s.band === null ? null : sayVerdict(s.value, { ...s.band, layer: 'kind' }, s.quantity, unit);
  return (
    <span>
      <span className="text-ink">{said}</span>{' '}
      {verdict && (
        <span className={`text-sm ${verdict.red ? 'text-rubric' : 'text-quiet'}`}>
          {verdict.mark} {verdict.words}
        </span>
      )}
    </span>
  );
}

function Stations({ stations, unit, practice }: Props) {
  return (
    <ul className="grid gap-x-6 sm:grid-cols-2">
      {stations.map((s) => (
        <li key={s.key} className="flex items-center justify-between gap-2 border-b border-line">
          <button
            type="button"
            aria-label={`${s.label}: read it`}
            className="min-h-11 cursor-pointer text-left underline decoration-line underline-offset-4 hover:bg-shade"
            onClick={() => void practice.act({ kind: 'read', station: s.key })}
          >
            {s.label}
          </button>
          <Value s={s} unit={unit} />
        </li>
      ))}
    </ul>
  );
}

/** Every place the instrument is read at: a tap reads it with its usual gauge, again where it was read. */
export function ReadPanel({ stations, unit, practice }: Props) {
  const parts = (Object.keys(SHEET_PARTS) as SheetPart[]).flatMap((part) => {
    const of = stations.filter((s) => s.part === part);
    return of.length === 0 ? [] : [{ part, of }];
  });
  return (
    <div className="space-y-2">
      <p className="text-sm text-quiet">
        A tap reads it, with the error of a hand and its gauge: {QUANTITY_FACTS.relief.gauge}, and the like.
        Away from pitch it reads something else.
      </p>
      {parts.map(({ part, of }) => (
        <details key={part} open={part === 'setup'} className="border-t border-line">
          <summary className="flex min-h-11 cursor-pointer items-center gap-2 font-serif font-semibold">
            {SHEET_PARTS[part]}
            <span className="font-sans text-sm font-normal text-quiet">
              {of.filter((s) => s.value !== null).length} of {of.length} read
            </span>
          </summary>
          <Stations stations={of} unit={unit} practice={practice} />
        </details>
      ))}
    </div>
  );
}
