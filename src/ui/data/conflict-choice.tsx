'use client';

interface Contested {
  readonly field: string;
  readonly theirs: unknown;
  readonly mine: unknown;
}

const plain = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? 'nothing'
    : typeof value === 'object'
      ? 'changed'
      : String(value);

/** What a colleague saved over the same fields while they were typed here: both are shown, one is chosen. */
export function ConflictChoice({
  edit,
  names = {},
  say = (_, value) => plain(value),
}: {
  readonly edit: {
    readonly conflicts: readonly Contested[];
    readonly mineOver: () => void;
    readonly theirsStand: () => void;
  };
  /** what a field is called on the screen */
  readonly names?: Readonly<Record<string, string>>;
  readonly say?: (field: string, value: unknown) => string;
}) {
  if (edit.conflicts.length === 0) return null;
  return (
    <div role="alert" className="my-2 border border-rubric p-2">
      <p className="text-rubric">◆ A colleague changed this while you typed.</p>
      <ul className="my-1 text-sm">
        {edit.conflicts.map((c) => (
          <li key={c.field}>
            {names[c.field] ?? c.field}: theirs <b className="text-ink">{say(c.field, c.theirs)}</b>, yours{' '}
            <b className="text-ink">{say(c.field, c.mine)}</b>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-2">
        <button type="button" className="button" onClick={edit.theirsStand}>
          Let theirs stand
        </button>
        <button type="button" className="button" onClick={edit.mineOver}>
          Mine over theirs
        </button>
      </div>
    </div>
  );
}
