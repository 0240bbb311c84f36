import type { UpkeepState } from '../../core/keep/upkeep-state.ts';
import Link from '../kit/link.tsx';

const SAYS: Readonly<Partial<Record<UpkeepState, string>>> = {
  failed: 'The last copy of the record could not be made.',
  old: 'There is no copy of the record of the last night.',
};

/** Tells an owner that the record is not being copied. */
export function UpkeepStrip({ state }: { readonly state: UpkeepState }) {
  const says = SAYS[state];
  if (says === undefined) return null;
  return (
    <p role="alert" className="no-print border-b-2 border-rubric bg-card px-5 py-2 font-bold text-rubric">
      ◆ {says}{' '}
      <Link href="/house/copies" className="underline">
        What happened, and what to do
      </Link>
    </p>
  );
}
