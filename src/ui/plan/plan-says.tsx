import type { Operation } from '../../core/catalogue/operation.ts';
import type { Quantity } from '../../core/readings/quantities.ts';
import { operation } from '../../core/catalogue/operations.ts';
import { useWords } from '../data/display-unit.ts';
import type { LeafProps } from '../job/leaf-props.ts';

/** What the plan does about one thing, as Proposed and Plans say it; what is worked out below only explains it. */
export function PlanSays({
  job,
  about,
  is,
  reads,
  out,
}: Pick<LeafProps<'plan'>, 'job'> & {
  /** “the frets” */
  readonly about: string;
  readonly is: (o: Operation) => boolean;
  /** what it is judged by */
  readonly reads: Quantity;
  /** whether something of it is out now */
  readonly out: boolean;
}) {
  const words = useWords();
  const { lines, then } = job.proposal;
  const own = (some: typeof lines) => some.filter((l) => is(operation(l.operation, job.plan.catalogue)));
  const [now, later] = [own(lines), own(then)];
  // What moves the readings these rest on comes before them.
  const first = [...lines, ...then].filter((l) => {
    const o = operation(l.operation, job.plan.catalogue);
    return !o.alongside && !is(o) && o.stale.includes(reads);
  });
  const waits = out && first.length > 0;
  return (
    <div className="border-l-4 border-plain pl-3" role="note" aria-label="In the plan">
      {now.length + later.length === 0 ? (
        <p>
          {waits
            ? `In the plan: ${about} wait. ${first.map((l) => l.title).join(', ')} first; then they are read again. What stands below is by what was read before.`
            : `In the plan: nothing is done to ${about} as it stands now.`}
        </p>
      ) : (
        [...now.map((l) => ({ l, when: 'now' })), ...later.map((l) => ({ l, when: 'then' }))].map(
          ({ l, when }) => (
            <p key={l.key}>
              In the plan{when === 'then' ? ', after what must be read again' : ''}: <b>{l.title}</b>.{' '}
              {words(l.says)}
            </p>
          ),
        )
      )}
    </div>
  );
}
