import type { Failure } from '../../contracts/failure.ts';

/** Nothing came back, or the house had a fault. */
interface NotDone {
  readonly code: 'offline' | 'fault';
  readonly message: string;
}

/**
 * Says what went wrong, where it went wrong.
 * @param props.about what it is about, where that is no longer what one looks at
 */
export function Trouble({
  trouble,
  about = '',
}: {
  readonly trouble: Failure | NotDone | null;
  readonly about?: string | undefined;
}) {
  if (trouble === null) return null;
  const more =
    trouble.code === 'invalid' ? Object.values(trouble.fields).filter((m) => m !== trouble.message) : [];
  return (
    <p role="alert" className="my-2 text-rubric">
      ◆ {about !== '' && <b>{about}: </b>}
      {[trouble.message, ...more].join(' ')}
    </p>
  );
}
