import { TriangleAlert } from 'lucide-react';
import { TASKS, type CareAnswer, type MeansSaid } from '../../core/care/care.ts';
import { PROTECTION, protectionFor } from '../../core/catalogue/hazards.ts';
import { sayPart, SURFACES } from '../../core/care/surfaces.ts';

/** Things with what is said of each. */
function Said({ head, all }: { readonly head: string; readonly all: readonly MeansSaid[] }) {
  if (all.length === 0) return null;
  return (
    <div>
      <dt className="text-quiet">{head}</dt>
      <dd>
        <ul>
          {all.map((m) => (
            <li key={m.means}>
              {m.name}
              {m.why !== '' && <span className="text-quiet">: {m.why}</span>}
            </li>
          ))}
        </ul>
      </dd>
    </div>
  );
}

/** What to beware of, with what is worn or switched on for it. */
export function Cautions({ all }: { readonly all: readonly string[] }) {
  const wear = protectionFor(all).map((p) => PROTECTION[p]);
  return (
    <>
      {all.map((says) => (
        <p key={says}>
          <TriangleAlert aria-hidden size={15} className="inline align-[-2px]" /> {says}
        </p>
      ))}
      {wear.length > 0 && (
        <p>
          Before hands go on: <b>{wear.join(', ')}</b>
        </p>
      )}
    </>
  );
}

/** How something is done to a surface: what is usual, what goes with care, what never, where to try it first. */
export function CareSaid({ answer: a, part }: { readonly answer: CareAnswer; readonly part?: string }) {
  const nothing = a.usual.length + a.care.length === 0;
  return (
    <section
      aria-label={`${part ?? SURFACES[a.surface].name}: ${TASKS[a.task]}`}
      className="space-y-1 border-l-2 border-line pl-3 text-sm"
    >
      <h4 className="font-semibold">
        {part === undefined ? SURFACES[a.surface].name : sayPart({ part, surface: a.surface })}
        <span className="font-normal text-quiet"> · {TASKS[a.task].toLowerCase()}</span>
      </h4>
      {a.note !== '' && <p>{a.note}</p>}
      {nothing && a.note === '' && <p>Nothing is usual here: leave it, or ask who knows this finish.</p>}
      <dl className="space-y-1">
        <Said head="Usual" all={a.usual} />
        <Said head="With care" all={a.care} />
        <Said head="◆ Never" all={a.never} />
      </dl>
      <Cautions all={a.cautions} />
      {!nothing && <p className="text-quiet">Try it first {a.first}. The product’s own sheet comes first.</p>}
    </section>
  );
}
