'use client';

import { JOB_STATES, type JobQuery } from '../../core/find/job-query.ts';
import { FormField } from '../kit/form-field.tsx';
import { ListChoice } from '../kit/list-choice.tsx';

/** How they stand and of which kind they are. */
export function JobChoices({
  query,
  kinds,
  onAsk,
}: {
  readonly query: JobQuery;
  readonly kinds: readonly { readonly id: string; readonly name: string }[];
  readonly onAsk: (more: Partial<JobQuery>) => void;
}) {
  return (
    <>
      <FormField label="How they stand" className="w-56">
        {(w) => (
          <ListChoice
            {...w}
            value={query.state}
            items={Object.entries(JOB_STATES).map(([value, name]) => ({ value, name }))}
            onChange={(state) => onAsk({ state: state as JobQuery['state'] })}
          />
        )}
      </FormField>
      <FormField label="Kind" className="w-56">
        {(w) => (
          <ListChoice
            {...w}
            value={query.kind}
            items={[{ value: '', name: 'every kind' }, ...kinds.map((k) => ({ value: k.id, name: k.name }))]}
            onChange={(kind) => onAsk({ kind })}
          />
        )}
      </FormField>
    </>
  );
}
