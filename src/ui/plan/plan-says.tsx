import type { Operation } from '../../core/catalogue/operation.ts';
import { operation } from '../../core/catalogue/operations.ts';
import type { LeafProps } from '../job/leaf-props.ts';

/** What the plan does about one thing, as Proposed and Plans say it; what is worked out below only explains it. */
export function PlanSays({
  job,
  about,
  is,
}: Pick<LeafProps<'plan'>, 'job'> & {
  /** “the frets” */
  readonly about: string;
  readonly is: (o: Operation) => boolean;
}) {
  const { lines, then } = job.proposal;
  const own = (some: typeof lines) => some.filter((l) => is(operation(l.operation, job.plan.catalogue)));
  const [now, later] = [own(lines), own(then)];
  return (
    <div className="border-l-4 border-plain pl-3" role="note" aria-label="In the plan">
      {now.length + later.length === 0 ? (
        <p>In the plan: nothing is done to {about} as it stands now.</p>
      ) : (
        [...now.map((l) => ({ l, when: 'now' })), ...later.map((l) => ({ l, when: 'then' }))].map(
          ({ l, when }) => (
            <p key={l.key}>
              In the plan{when === 'then' ? ', after what must be read again' : ''}: <b>{l.title}</b>.{' '}
              {l.says}
            </p>
          ),
        )
      )}
    </div>
  );
}
