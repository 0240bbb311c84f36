import type { GaugeLink } from './gauge-link.ts';

/** The stand-ins that ship with the house. */
export const SIMULATED = {
  caliper: { name: 'Simulated digital gauge', resolution: 0.01, noise: 0.006, drift: 0.0004, unit: 'mm' },
  'fret-dial': { name: 'Simulated fret dial', resolution: 0.01, noise: 0.004, drift: 0.0002, unit: 'mm' },
  hygrometer: { name: 'Simulated hygrometer', resolution: 0.1, noise: 0.3, drift: 0, unit: 'air' },
} as const;
export type SimulatedKind = keyof typeof SIMULATED;

const LOW_BATTERY = 10;
const PER_READING = 0.5;

/** A random source, 0 to 1, and what the stand-in is held against. */
export interface SimulatedGauge extends GaugeLink {
  /** Takes a reading of a true value: mm, or °C and % for the hygrometer. */
  readonly take: (truth: number, humidity?: number) => void;
  /** Sets it to nothing again. */
  readonly zero: () => void;
  readonly battery: () => number;
}

/** A bell-shaped random number of deviation 1 out of an even source (Box and Muller). */
const bell = (random: () => number): number =>
  Math.sqrt(-2 * Math.log(Math.max(1e-12, random()))) * Math.cos(2 * Math.PI * random());

/**
 * A stand-in for a gauge: it rounds to its resolution, scatters, drifts a little with every reading until it is zeroed, and
 * its battery runs down; near the end it says so and scatters more.
 */
export function simulatedGauge(kind: SimulatedKind, random: () => number, startBattery = 60): SimulatedGauge {
  const { name, resolution, noise, drift, unit } = SIMULATED[kind];
  const ears = new Set<(line: string) => void>();
  let [offset, battery] = [0, startBattery];
  const say = (line: string) => ears.forEach((hear) => hear(line));
  const rounded = (value: number) => Math.round(value / resolution) * resolution;
  const places = resolution < 0.1 ? 2 : 1;
  return {
    name,
    simulated: true,
    listen: (hear) => {
      ears.add(hear);
      return () => ears.delete(hear);
    },
    close: () => {
      ears.clear();
      return Promise.resolve();
    },
    take: (truth, humidity = 45) => {
      if (battery <= 0) return say('! battery empty');
      battery = Math.max(0, battery - PER_READING);
      offset += drift;
      const tired = battery < LOW_BATTERY ? 4 : 1;
      const shown = (value: number) => rounded(value + offset + bell(random) * noise * tired).toFixed(places);
      say(unit === 'air' ? `C ${shown(truth)} C ${shown(humidity)} %` : `L ${shown(truth)} mm`);
      if (battery < LOW_BATTERY) say(`B ${Math.floor(battery)} %`);
    },
    zero: () => {
      offset = 0;
    },
    battery: () => battery,
  };
}
