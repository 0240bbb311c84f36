import type { RoundKind } from '../../core/readings/rounds.ts';
import { useDisplayUnit } from '../data/display-unit.ts';
import type { LeafJob } from '../job/leaf-props.ts';
import { sayBand, sayValue, sayVerdict } from '../../core/targets/say-values.ts';

type Station = LeafJob['readings']['stations'][number];

function Cell({
  job,
  station,
  round,
}: {
  readonly job: LeafJob;
  readonly station: Station;
  readonly round: RoundKind;
}) {
  const [unit] = useDisplayUnit();
  const reading = job.readings.readings.find((r) => r.round === round && r.key === station.key);
  if (!reading) return <td className="py-0.5 text-quiet">–</td>;
  const said =
    station.target && !reading.notRepresentative
      ? sayVerdict(reading.asCourse ?? reading.value, station.target, station.quantity, unit)
      : null;
  return (
    <td className="py-0.5">
      <span className={`font-bold text-ink ${reading.stale && round === 'as-left' ? 'line-through' : ''}`}>
        {sayValue(reading.value, station.quantity, unit)}
      </span>{' '}
      {said && (
        <span className={said.red && round === 'as-left' ? 'text-rubric' : 'text-quiet'}>
          {said.mark} {said.words}
        </span>
      )}
      {reading.notRepresentative && <span className="text-quiet">◇ {reading.notRepresentative}</span>}
    </td>
  );
}

/** As found and as left, side by side. */
export function BeforeAfter({ job }: { readonly job: LeafJob }) {
  const [unit] = useDisplayUnit();
  return (
    <table className="w-full text-left text-sm">
      <caption className="sr-only">Readings as found and as left</caption>
      <thead>
        <tr className="border-b border-plain">
          <th scope="col">Reading</th>
          <th scope="col">Wanted</th>
          <th scope="col">As found</th>
          <th scope="col">As left</th>
        </tr>
      </thead>
      <tbody>
        {job.readings.stations.map((s) => (
          <tr key={s.key} className="border-b border-line">
            <th scope="row" className="font-normal">
              {s.label}
            </th>
            <td className="text-quiet">{s.target ? sayBand(s.target, s.quantity, unit) : ''}</td>
            <Cell job={job} station={s} round="as-found" />
            <Cell job={job} station={s} round="as-left" />
          </tr>
        ))}
      </tbody>
    </table>
  );
}
