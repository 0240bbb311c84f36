'use client';

import { hasOwnScrews, type Construction } from '../../core/instrument/construction.ts';
import { intonationPlan, type StringIntonation } from '../../core/intonation/intonation-plan.ts';
import { leftHanded, toSvg, type Drawing } from '../../core/templates/drawing.ts';
import {
  contactTemplate,
  nutContactTemplate,
  type ContactSpot,
} from '../../core/templates/contact-templates.ts';
import { formatCents } from '../../core/units/parse-cents.ts';
import type { LeafProps } from '../job/leaf-props.ts';
import { QUANTITY_FACTS } from '../../core/readings/quantities.ts';
import { ACTION_FRET, stationKey } from '../../core/readings/stations.ts';
import { verdict } from '../../core/targets/target.ts';
import { PrintButton } from '../kit/print-button.tsx';
import { TrueSize } from '../kit/true-size.tsx';
import { planInputOf } from './plan-problem.ts';
import { PlanSays } from './plan-says.tsx';

const USUAL_THICK = 3;
const USUAL_SPREAD = 54;
const NUT_THICK = 5;
const NUT_SPREAD = 36;

const way = (mm: number): string =>
  Math.abs(mm) < 0.005 ? 'stays' : `${Math.abs(mm).toFixed(2)} mm ${mm > 0 ? 'back' : 'forward'}`;

function Template({ drawing, file }: { readonly drawing: Drawing; readonly file: string }) {
  const href = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(toSvg(drawing))}`;
  return (
    <figure className="space-y-1" style={{ width: `${drawing.width}mm` }}>
      <TrueSize drawing={drawing} />
      <figcaption>
        <a className="button" href={href} download={file}>
          {drawing.title} (SVG)
        </a>
      </figcaption>
    </figure>
  );
}

/** Where each string that is not in doubt goes; it keeps its place among all of them. */
const spots = (
  plan: readonly StringIntonation[],
  sure: readonly StringIntonation[],
  spread: number,
  to: (s: StringIntonation) => number,
): ContactSpot[] =>
  sure.map((s) => ({
    string: s.string,
    across: plan.length === 1 ? 0 : (spread * plan.indexOf(s)) / (plan.length - 1),
    from: s.from,
    to: to(s),
  }));

/** A string: what was read, what the saddle alone or both ends have to do, and whether its contact stays on the crown. */
function StringRow({
  of: s,
  stays,
  thick,
}: {
  readonly of: StringIntonation;
  /** it is in its band */
  readonly stays: boolean;
  /** the saddle, mm; null where each string has a saddle with a screw of its own */
  readonly thick: number | null;
}) {
  return (
    <tr className="border-b border-line align-top [&>*]:py-1">
      <th scope="row">{s.string}</th>
      <td>{s.readings.map((r) => `${formatCents(r.cents)} at ${r.fret}`).join(', ')}</td>
      <td>
        {s.doubt !== null ? (
          <span className="text-rubric">◆ {s.doubt}</span>
        ) : s.alone === null ? (
          <span className="text-quiet">the 12th was not read</span>
        ) : (
          <b>{stays ? 'stays, in its band' : way(s.alone)}</b>
        )}
      </td>
      <td title={s.why}>
        {s.nutToo && s.doubt === null ? (
          `saddle ${way(s.fit.saddleMove)}; nut ${s.fit.nutMove.toFixed(2)} mm toward it, ±${s.fit.nutSpread.toFixed(2)}; ${s.fit.rmsAfter.toFixed(1)} cents left`
        ) : (
          <span className="text-quiet">{s.why}</span>
        )}
      </td>
      {thick !== null && (
        <td className={s.outside === 0 ? '' : 'text-rubric'}>
          {s.at === null
            ? 'its place was not read'
            : s.outside === 0
              ? `fits: ${s.at.toFixed(2)} of ${thick.toFixed(2)} mm`
              : `◆ ${Math.abs(s.outside).toFixed(2)} mm ${s.outside > 0 ? 'behind' : 'in front of'} it. Ways: ${s.ways.join('; ')}.`}
        </td>
      )}
    </tr>
  );
}

/** Where the contacts go, drawn at true size. */
function Templates({
  number,
  construction,
  plan,
  sure,
  thick,
  spread,
  moveOf,
}: {
  readonly number: number;
  readonly construction: Construction;
  readonly plan: readonly StringIntonation[];
  readonly sure: readonly StringIntonation[];
  readonly thick: number;
  readonly spread: number;
  readonly moveOf: (s: StringIntonation) => number;
}) {
  const handed = (d: Drawing): Drawing => (construction.leftHanded ? leftHanded(d) : d);
  return (
    <div className="flex flex-wrap gap-6">
      {!hasOwnScrews(construction) && (
        <Template
          drawing={handed(
            contactTemplate(
              spots(plan, sure, USUAL_SPREAD, (s) => (s.from ?? thick / 2) + moveOf(s)),
              thick,
            ),
          )}
          file={`saddle-${number}.svg`}
        />
      )}
      {sure.some((s) => s.nutToo) && (
        <Template
          drawing={handed(
            nutContactTemplate(
              spots(plan, sure, spread, (s) => s.fit.nutMove),
              NUT_THICK,
            ),
          )}
          file={`nut-${number}.svg`}
        />
      )}
    </div>
  );
}

/** Per string: what the saddle and the nut have to do, whether the contact stays on the crown, and what else there is. */
export function IntonationPanel({ job }: Pick<LeafProps<'plan'>, 'job'>) {
  const input = planInputOf(job);
  const c = job.instrument.construction;
  const byScrews = hasOwnScrews(c);
  const usable = [...input.readings.values()].filter((r) => !input.stale.has(r.key));
  const plan = intonationPlan(c, usable);
  const thick = usable.find((r) => r.quantity === 'saddle-thickness')?.value ?? USUAL_THICK;
  const spread = usable.find((r) => r.quantity === 'nut-spacing')?.value ?? NUT_SPREAD;
  const sure = plan.filter((s) => s.doubt === null);
  const drawn = !byScrews || sure.some((s) => s.nutToo);
  // What stands in its band stays, on paper too.
  const moveOf = (s: StringIntonation): number =>
    s.nutToo ? s.fit.saddleMove : inBand(s) ? 0 : (s.alone ?? s.fit.saddleMove);
  const inBand = (s: StringIntonation): boolean => {
    const [key, at] = [
      stationKey('intonation', s.string, ACTION_FRET),
      s.readings.find((r) => r.fret === ACTION_FRET),
    ];
    const target = input.targets.get(key);
    if (!at || !target) return false;
    return ['in', 'edge'].includes(verdict(at.cents, target, QUANTITY_FACTS.intonation.tells));
  };
  if (plan.length === 0)
    return (
      <section aria-label="Intonation">
        <p>
          No pitch was read, or it is stale. Read cents at the 12th on the Readings leaf, and at frets 1, 3
          and 5 where the nut may be the cause.
        </p>
      </section>
    );
  return (
    <section aria-label="Intonation" className="space-y-3">
      <PlanSays
        job={job}
        about="the contacts"
        is={(o) => o.alongString}
        reads="intonation"
        out={sure.some((s) => s.alone !== null && !inBand(s))}
      />
      <table className="w-full text-left">
        <caption className="sr-only">What each string’s saddle and nut have to do</caption>
        <thead>
          <tr className="border-b-2 border-plain">
            {[
              'String',
              'Read, cents',
              'Saddle alone',
              'Nut and saddle together',
              ...(byScrews ? [] : ['Contact on the crown']),
            ].map((h) => (
              <th key={h} scope="col" className="pr-4">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {plan.map((s) => (
            <StringRow key={s.string} of={s} stays={inBand(s)} thick={byScrews ? null : thick} />
          ))}
        </tbody>
      </table>
      <div className="flex items-center gap-3 print:hidden">
        <PrintButton low={false} />
        <p className="text-sm text-quiet">
          {byScrews && 'Each saddle goes by its own screw. '}
          {drawn && 'Drawings print at true size: measure the 50 mm line first. '}
          {!byScrews &&
            plan.some((s) => s.from === null) &&
            'Where a contact was not read, the middle of the saddle stands for it.'}
        </p>
      </div>
      <Templates
        number={job.number}
        construction={c}
        plan={plan}
        sure={sure}
        thick={thick}
        spread={spread}
        moveOf={moveOf}
      />
    </section>
  );
}
