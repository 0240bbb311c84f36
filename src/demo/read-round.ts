import type { CommandAnswer, CommandInput, CommandName } from '../contracts/commands/commands.ts';
import { QUANTITY_FACTS } from '../core/readings/quantities.ts';
import { allStations } from '../core/readings/stations.ts';
import type { JobView } from '../server/leaves/load-job.ts';
import type { DemoRound } from './rounds.ts';

/** What tells a story: it gives commands at the times they happened. */
interface Teller {
  readonly give: <N extends CommandName>(name: N, input: CommandInput<N>) => Promise<CommandAnswer<N>>;
}

function typedFor(
  round: DemoRound,
  station: JobView['readings']['stations'][number],
  count: number,
): string | undefined {
  const fromLow = (list: string) => list.split(' ')[count - station.string];
  switch (station.quantity) {
    case 'relief':
      return round.relief;
    case 'action':
      return station.string === 1 ? round.action[1] : round.action[0];
    case 'nut-gap':
      return fromLow(round.gaps);
    case 'intonation':
      return fromLow(round.cents);
    case 'saddle-standout':
      return round.standout;
    default:
      return undefined;
  }
}

/** Reads a round of a job as its story has it: the air, the further places, then the setup in working order. */
export async function readRound(story: Teller, round: DemoRound, view: JobView): Promise<void> {
  const count = view.instrument.construction.strings.length;
  if (round.air) {
    const [temperature, humidity] = round.air;
    const known = view.readings.rounds.find((r) => r.kind === round.kind);
    await story.give('readings.conditions', {
      jobId: view.id,
      round: round.kind,
      version: known?.version ?? 0,
      strings: known?.strings ?? 'at-pitch',
      position: 'playing',
      tuning: known?.tuning || 'as strung',
      temperature,
      humidity,
    });
  }
  for (const [key, typed] of Object.entries(round.more ?? {})) {
    const station = allStations(view.instrument.construction).find((s) => s.key === key);
    if (!station) throw new Error(`demo: nothing is read at ${key}`);
    const { quantity, string, fret } = station;
    const unit = QUANTITY_FACTS[quantity].unit;
    await story.give('readings.save', {
      jobId: view.id,
      round: round.kind,
      quantity,
      string,
      fret,
      typed,
      unit,
      version: 0,
    });
  }
  for (const station of view.readings.stations) {
    const typed = typedFor(round, station, count);
    if (typed === undefined) continue;
    const { quantity, string, fret } = station;
    await story.give('readings.save', {
      jobId: view.id,
      round: round.kind,
      quantity,
      string,
      fret,
      typed,
      unit: QUANTITY_FACTS[quantity].unit,
      version: 0,
    });
  }
}
