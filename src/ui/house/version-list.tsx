import { sayMoment } from '../kit/dates.ts';

/** A version of one of the shop's rules; the one that ships has no moment. */
export interface Version {
  readonly version: number;
  readonly note: string;
  readonly by: string;
  readonly at: string;
}

/** The versions of a rule, newest first, each to be taken as a start. */
export function VersionList<V extends Version>({
  versions,
  may,
  onTake,
}: {
  readonly versions: readonly V[];
  readonly may: boolean;
  readonly onTake: (version: V) => void;
}) {
  return (
    <ul className="space-y-2">
      {versions.map((v) => (
        <li
          key={v.version}
          className="flex items-center justify-between gap-3 border-b border-line pb-1 text-sm"
        >
          <span>
            <b>{v.version}</b> {v.note}
            <span className="block text-quiet">{v.at === '' ? '' : `${v.by}, ${sayMoment(v.at)}`}</span>
          </span>
          {may && (
            <button
              type="button"
              className="button"
              aria-label={`Take version ${v.version} as a start`}
              onClick={() => onTake(v)}
            >
              Take
            </button>
          )}
        </li>
      ))}
    </ul>
  );
}
