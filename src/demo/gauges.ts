import type { Quantity } from '../core/readings/quantities.ts';
import type { LengthUnit } from '../core/units/length-units.ts';

const DAY = 86_400_000;

const gauge = (
  name: string,
  quantities: Quantity[],
  unit: LengthUnit,
  resolution: number,
  checkedAt: Date | null,
) => ({ name, quantities, unit, resolution: resolution.toFixed(9), checkedAt, checkEveryDays: 180 });

/** The demo shop's gauges: one of them is overdue. */
export const demoGauges = (now: Date) => {
  const ago = (days: number) => new Date(Math.floor(now.getTime() / DAY) * DAY - days * DAY);
  return [
    gauge('Feelers, bench 1', ['relief', 'nut-gap', 'fret-rock'], 'thou', 0.02, ago(40)),
    gauge('Steel rule, 64ths', ['action', 'pickup-height'], '64ths', 0.1, ago(100)),
    gauge('Caliper, drawer 2', ['saddle-standout', 'slot-depth', 'saddle-thickness'], 'mm', 0.05, ago(220)),
    gauge('Fret dial', ['fret-height'], 'mm', 0.01, ago(15)),
  ];
};
