'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import type { Biography } from '../../server/shelf/load-biography.ts';
import { dayOf, sayDate } from '../kit/dates.ts';
import { Adding, Changing } from './changing.tsx';

const InsideForm = lazyPart(() => import('./inside-form.tsx').then((m) => m.InsideForm));

type Part = Biography['inside'][number];

const NOTHING =
  'Nothing is written down. Pickups, pots, condensers with their values, and which wire goes where: whoever opens it next need not guess. Photos before and after go with the step.';

/** One part: its value, its wires, who said so. */
function PartWords({ part }: { readonly part: Part }) {
  const said = [part.wires, part.note].filter((s) => s !== '').join('; ');
  return (
    <p className={part.gone === '' ? '' : 'text-quiet'}>
      <b className="text-ink">{part.name}</b>
      {part.value !== '' && <span className="text-ink">, {part.value}</span>}
      {said !== '' && <span className="text-ink">: {said}</span>}{' '}
      <span className="text-quiet">
        {part.by}, {sayDate(dayOf(part.at))}
      </span>
      {part.gone !== '' && <span className="text-ink">; not inside any more: {part.gone}</span>}
    </p>
  );
}

/** What is inside it: parts with their values, which wire goes where; what was taken out last. */
export function InsideParts({
  instrumentId,
  inside,
  may,
}: {
  readonly instrumentId: number;
  readonly inside: readonly Part[];
  readonly may: boolean;
}) {
  const sorted = [...inside.filter((p) => p.gone === ''), ...inside.filter((p) => p.gone !== '')];
  const form = (part: Part | null) => (done: () => void) => (
    <InsideForm instrumentId={instrumentId} part={part} onDone={done} />
  );
  return (
    <section aria-labelledby="inside">
      <h2 id="inside" className="text-xl">
        Inside
      </h2>
      <Adding
        label="Write down a part inside"
        may={may}
        empty={inside.length === 0 ? NOTHING : null}
        form={form(null)}
      >
        <ul className="divide-y divide-line text-sm">
          {sorted.map((p) => (
            <li key={p.id}>
              <Changing name={p.name} may={may} form={form(p)}>
                <PartWords part={p} />
              </Changing>
            </li>
          ))}
        </ul>
      </Adding>
    </section>
  );
}
