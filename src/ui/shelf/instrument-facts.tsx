import type { Construction } from '../../core/instrument/construction.ts';
import { FACTS } from '../../core/instrument/construction-facts.ts';
import { VIEWS } from '../../core/instrument/outline.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { InstrumentDrawing } from '../custody/instrument-drawing.tsx';
import { FACT_NAMES } from '../instrument/instrument-facts.ts';
import { sayDate } from '../kit/dates.ts';
import { dayOf } from '../kit/dates.ts';
import Link from '../kit/link.tsx';

const SHOWN = ['joint', 'rod', 'bridge', 'nut', 'finish', 'fingerboard'] as const;

/** What it is, in the bench's words. */
function factsOf(c: Construction): readonly (readonly [name: string, says: string])[] {
  return [
    ['Scale', `${c.scale} mm, ${c.frets} frets`],
    ['Strings', c.strings.map((s) => s.note).join(' ')],
    ...SHOWN.map((f): readonly [string, string] => [
      FACT_NAMES[f],
      (FACTS[f] as Readonly<Record<string, string>>)[c[f]] ?? String(c[f]),
    ]),
  ];
}

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
          {factsOf(of.construction).map(([name, says]) => (
            <div key={name} className="flex justify-between gap-3 border-b border-line py-0.5">
              <dt className="text-quiet">{name}</dt>
              <dd className="text-right">{says}</dd>
            </div>
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
