import type { JobReading, JobRound, JobTurn } from '../../core/job/job.ts';
import type { JobCut } from '../../core/job/job-parts.ts';
import type { RoundKind } from '../../core/readings/rounds.ts';
import { stationKey } from '../../core/readings/stations.ts';
import type { TargetWish } from '../../core/targets/target.ts';
import type { JobTarget, ReadingRow, Round } from '../db/models/readings.ts';
import type { ActRow } from '../db/models/learned.ts';
import type { CutRow, RodTurn } from '../db/models/work.ts';
import type { Seen } from '../db/read-together.ts';

type RowOfReading = Pick<
  ReadingRow,
  | 'roundId'
  | 'quantity'
  | 'stringNo'
  | 'fret'
  | 'value'
  | 'takenAt'
  | 'notRepresentative'
  | 'typed'
  | 'unit'
  | 'method'
  | 'gauge'
  | 'position'
  | 'uncertainty'
  | 'methodId'
  | 'copiedFrom'
  | 'soundId'
  | 'buzz'
  | 'takenBy'
  | 'version'
>;

const numberOrNull = (said: string | null): number | null => (said === null ? null : Number(said));

/** A row of the readings as the sums and the screens use it. */
export const asReading = (r: RowOfReading, round: RoundKind): JobReading => ({
  key: stationKey(r.quantity, r.stringNo, r.fret),
  quantity: r.quantity,
  string: r.stringNo,
  fret: r.fret,
  value: Number(r.value),
  round,
  takenAt: r.takenAt.getTime(),
  notRepresentative: r.notRepresentative,
  roundId: r.roundId,
  typed: r.typed,
  unit: r.unit,
  method: r.method,
  gauge: r.gauge,
  position: r.position,
  uncertainty: r.uncertainty === null ? null : Number(r.uncertainty),
  methodId: r.methodId ?? undefined,
  copiedFrom: r.copiedFrom,
  sound: r.soundId,
  buzz: numberOrNull(r.buzz),
  takenBy: r.takenBy,
  version: r.version,
});

type RowOfTarget = Pick<
  JobTarget,
  'quantity' | 'side' | 'stringNo' | 'layer' | 'relative' | 'low' | 'aim' | 'high'
>;

/** A row of the job's targets as a wish. */
export const asWish = (w: RowOfTarget): TargetWish => ({
  quantity: w.quantity,
  side: w.side,
  string: w.stringNo,
  layer: w.layer,
  relative: w.relative ?? undefined,
  low: Number(w.low),
  aim: Number(w.aim),
  high: Number(w.high),
});

/** A row of the rod's turns as a value: mm, eighths of a turn. */
export const asTurn = (
  r: Pick<
    RodTurn,
    | 'id'
    | 'lineId'
    | 'eighths'
    | 'reliefBefore'
    | 'reliefAfter'
    | 'typed'
    | 'turnedBy'
    | 'turnedAt'
    | 'version'
  >,
): JobTurn => ({
  id: r.id,
  lineId: r.lineId,
  eighths: Number(r.eighths),
  before: numberOrNull(r.reliefBefore),
  after: numberOrNull(r.reliefAfter),
  typed: r.typed,
  turnedBy: r.turnedBy,
  turnedAt: r.turnedAt,
  version: r.version,
});

/** A row of the cuts as a value, mm. */
export const asCut = (r: Seen<CutRow>): JobCut => ({
  id: r.id,
  lineId: r.lineId,
  place: r.place,
  meant: Number(r.meant),
  took: Number(r.took),
  madeBy: r.madeBy,
  madeAt: r.madeAt,
  version: r.version,
});

/** A row of the rounds as a value. */
export const asRound = (r: Seen<Round>): JobRound => ({
  id: r.id,
  kind: r.kind,
  title: r.title,
  strings: r.strings,
  position: r.position,
  tuning: r.tuning,
  setOn: r.setOn,
  setAge: r.setAge,
  temperature: numberOrNull(r.temperature),
  humidity: numberOrNull(r.humidity),
  pitch: numberOrNull(r.pitch),
  methods: r.methods,
  gauges: r.gauges,
  startedAt: r.startedAt,
  version: r.version,
});

/** A row of an instrument's acts as the sums use it. */
export const asNumberedAct = (r: Pick<ActRow, 'number' | 'moved' | 'gave' | 'variance'>) => ({
  number: r.number,
  by: Number(r.moved),
  gave: Number(r.gave),
  variance: Number(r.variance),
});
