/** So many of so many, as a bar with its words. */
function ShareRow({
  label,
  part,
  of,
  says,
}: {
  readonly label: string;
  readonly part: number;
  readonly of: number;
  readonly says: string;
}) {
  return (
    <li className="grid grid-cols-[18rem_1fr_14rem] items-center gap-x-4 border-b border-line py-1 max-lg:grid-cols-1">
      <span>{label}</span>
      <span aria-hidden className="relative h-4 border border-plain bg-card">
        <span
          className="absolute inset-y-0 left-0 bg-plain"
          style={{ width: `${(100 * part) / Math.max(1, of)}%` }}
        />
      </span>
      <span className="text-sm">{says}</span>
    </li>
  );
}

const MOST_SHOWN = 10;

/** Which findings came back within a year. */
export function FoundAgain({
  rows,
}: {
  readonly rows: readonly { readonly title: string; readonly found: number; readonly again: number }[];
}) {
  const back = rows.filter((r) => r.again > 0);
  const never = rows.length - back.length;
  return (
    <section aria-labelledby="found-again">
      <h2 id="found-again" className="text-2xl">
        What came back within a year
      </h2>
      {rows.length === 0 && (
        <p className="text-quiet">No finding is a year old yet, and none came back sooner.</p>
      )}
      <ul>
        {back.slice(0, MOST_SHOWN).map((r) => (
          <ShareRow
            key={r.title}
            label={r.title}
            part={r.again}
            of={r.found}
            says={`${r.again} of ${r.found} found again`}
          />
        ))}
      </ul>
      {never > 0 && (
        <p className="text-sm text-quiet">
          {never === 1 ? 'One other item' : `${never} other items`} did not come back.
        </p>
      )}
    </section>
  );
}

/** Which options customers took, of those they were offered. */
export function OptionsTaken({
  rows,
}: {
  readonly rows: readonly { readonly name: string; readonly offered: number; readonly taken: number }[];
}) {
  return (
    <section aria-labelledby="options-taken">
      <h2 id="options-taken" className="text-2xl">
        Which options customers took
      </h2>
      {rows.length === 0 && <p className="text-quiet">No customer has chosen among options yet.</p>}
      <ul>
        {rows.map((r) => (
          <ShareRow
            key={r.name}
            label={r.name}
            part={r.taken}
            of={r.offered}
            says={`${r.taken} of ${r.offered} offered`}
          />
        ))}
      </ul>
    </section>
  );
}
