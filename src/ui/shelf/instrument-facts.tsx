import { isAssumed, type AssumedFact } from '../../core/instrument/assumable.ts';
import { BUILT_LABELS, sayBuilt } from '../../core/instrument/say-facts.ts';
import { VIEWS } from '../../core/instrument/outline.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { InstrumentDrawing } from '../custody/instrument-drawing.tsx';
import { FactRow } from '../instrument/fact-row.tsx';
import { dayOf, sayDate } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

const SHOWN = [
  'scale',
  'frets',
  'tuning',
  'joint',
  'rod',
  'bridge',
  'nut',
  'finish',
  'fingerboard',
] as const satisfies readonly AssumedFact[];

/** The instrument drawn with the damage of all its visits, what it is, and who owned it. */
export function InstrumentFacts({ of }: { readonly of: Biography }) {
  const sides = VIEWS.filter((v) => v === 'front' || v === 'back' || of.marks.some((m) => m.view === v));
  return (
    <section aria-labelledby="what-it-is">
      <h2 id="what-it-is" className="text-xl">
        What it is
      </h2>
      <div className="flex flex-wrap gap-2">
        {sides.map((v) => (
          <div key={v} className={`border border-line ${v.endsWith('side') ? 'h-16 w-full' : 'h-52 w-36'}`}>
            <InstrumentDrawing construction={of.construction} view={v} marks={of.marks} pin={9} />
          </div>
        ))}
        <dl className="min-w-52 flex-1 text-sm">
          {SHOWN.map((f) => (
            <FactRow
              key={f}
              name={BUILT_LABELS[f]}
              value={sayBuilt(of.construction, f)}
              word={isAssumed(of.construction, f) ? 'usual' : 'said'}
            />
          ))}
        </dl>
      </div>
      {of.marks.length > 0 && (
        <ol className="mt-1 text-sm">
          {of.marks.map((m) => (
            <li key={m.id}>
              <b className="text-ink">{m.number}</b> <span className="text-ink">{m.words || 'no words'}</span>{' '}
              <span className="text-quiet">at {m.job}</span>
            </li>
          ))}
        </ol>
      )}
      <p className="mt-1 text-sm">
        <span className="text-quiet">Whose it was: </span>
        {of.owners.map((o, i) => (
          <span key={`${o.id} ${o.since ?? ''}`}>
            {i > 0 && ', then '}
            <Link href={`/shelf/customer/${o.id}`} className="text-ink underline">
              {o.name}
            </Link>
            {o.since !== null && <span className="text-quiet"> since {sayDate(dayOf(o.since))}</span>}
          </span>
        ))}
      </p>
    </section>
  );
}
