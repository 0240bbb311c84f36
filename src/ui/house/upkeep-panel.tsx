import type { LoadedUpkeep, UpkeepKind } from '../../server/upkeep/load-upkeep.ts';
import { sayMoment } from '../kit/dates.ts';

const megabytes = (bytes: number | null): string => (bytes === null ? '' : `${(bytes / 1e6).toFixed(1)} MB`);

const COPY_SAYS: Readonly<Record<UpkeepKind['state'], string>> = {
  never: 'There is no copy yet. One is made by itself within the next minutes.',
  fresh: 'The record is copied.',
  old: 'There is no good copy of the last night: the machine was off, or Rubrica was.',
  failed: 'The last copy could not be made.',
};
const SEALS_SAY: Readonly<Record<UpkeepKind['state'], string>> = {
  never: 'The seals were not checked yet.',
  fresh: 'Every sealed record is as it was signed.',
  old: 'The seals were not checked last night.',
  failed: 'A sealed record is not as it was signed.',
};

const isBad = (state: UpkeepKind['state']): boolean => state === 'old' || state === 'failed';

function Standing({
  name,
  says,
  kind: { state, good, trouble },
}: {
  readonly name: string;
  readonly says: string;
  readonly kind: UpkeepKind;
}) {
  return (
    <section
      aria-label={name}
      className={`border-l-4 pl-3 ${isBad(state) ? 'border-rubric' : 'border-line'}`}
    >
      <h2 className="text-xl">{name}</h2>
      <p className={isBad(state) ? 'font-bold text-rubric' : ''}>{says}</p>
      {trouble !== null && <p className="font-mono text-sm break-words">{trouble}</p>}
      {good && (
        <p className="text-sm">
          Last good: <time dateTime={good.at}>{sayMoment(good.at)}</time>
          {good.bytes !== null && `, ${megabytes(good.bytes)}`}
          {good.place !== '' && <span className="block font-mono break-all text-quiet">{good.place}</span>}
        </p>
      )}
    </section>
  );
}

const KIND_NAMES = { copy: 'Copy', seals: 'Seals checked' } as const;

/** How the record is kept: the last copy, the seals, and what was done of late. */
export function UpkeepPanel({ upkeep }: { readonly upkeep: LoadedUpkeep }) {
  return (
    <div className="min-w-0 space-y-5">
      <Standing name="The last copy" says={COPY_SAYS[upkeep.copies.state]} kind={upkeep.copies} />
      <Standing name="Seals" says={SEALS_SAY[upkeep.seals.state]} kind={upkeep.seals} />
      {upkeep.recent.length > 0 && (
        <table className="w-full text-left text-sm">
          <caption className="py-1 text-left font-serif text-xl font-semibold">Of late</caption>
          <thead>
            <tr className="border-b-2 border-plain">
              <th scope="col">When</th>
              <th scope="col">What</th>
              <th scope="col">How it went</th>
            </tr>
          </thead>
          <tbody>
            {upkeep.recent.map((r) => (
              <tr key={r.id} className="border-b border-line align-top">
                <td className="py-1 pr-3 whitespace-nowrap">{sayMoment(r.at)}</td>
                <td className="py-1 pr-3 whitespace-nowrap">{KIND_NAMES[r.kind]}</td>
                <td className={`py-1 break-words ${r.good ? '' : 'text-rubric'}`}>
                  {r.good ? `well${r.bytes === null ? '' : `, ${megabytes(r.bytes)}`}` : r.words || 'not'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
