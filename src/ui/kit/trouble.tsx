import type { Failure } from '../../contracts/failure.ts';

/** Nothing came back, or the house had a fault. */
interface NotDone {
  readonly code: 'offline' | 'fault';
  readonly message: string;
}

/** Says what went wrong, where it went wrong. */
export function Trouble({ trouble }: { readonly trouble: Failure | NotDone | null }) {
  if (trouble === null) return null;
  const more =
    trouble.code === 'invalid' ? Object.values(trouble.fields).filter((m) => m !== trouble.message) : [];
  return (
    <p role="alert" className="my-2 text-rubric">
      ◆ {[trouble.message, ...more].join(' ')}
    </p>
  );
}
