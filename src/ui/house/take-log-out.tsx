'use client';

import { FormField } from '../kit/form-field.tsx';

/** The house’s whole log between two days, as a file: who did what, on which tablet, before and after. */
export function TakeLogOut({ from, to }: { readonly from: string; readonly to: string }) {
  return (
    <form action="/api/audit" method="get" aria-label="The log as a file" className="space-y-3">
      <h2 className="text-xl">The log as a file</h2>
      <p className="text-sm text-quiet">
        Everything anybody changed, in every job and in House, as CSV. That it was taken out stands in it.
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <FormField label="From" className="w-44">
          {(w) => <input {...w} type="date" name="from" className="field" defaultValue={from} required />}
        </FormField>
        <FormField label="To, with that day" className="w-44">
          {(w) => <input {...w} type="date" name="to" className="field" defaultValue={to} required />}
        </FormField>
        <button type="submit" className="button">
          Take it out
        </button>
      </div>
    </form>
  );
}
