import { usualConstruction } from '../instrument/defaults.ts';
import type { Kind } from '../instrument/kinds.ts';
import type { Reading } from '../readings/reading.ts';
import { stationsOf } from '../readings/stations.ts';
import { resolveTarget } from '../targets/resolve.ts';
import type { Target } from '../targets/target.ts';
import { USUAL_SETTINGS, type PlanInput } from './plan-input.ts';

const GOOD = { relief: 0.2, action: 2.0, 'nut-gap': 0.1, 'saddle-standout': 4, intonation: 0 } as const;

/** A plan's input with every station read; `set` overrides by quantity or by station key. */
export function input(
  kind: Kind,
  set: Readonly<Record<string, number | null>> = {},
  more: Partial<PlanInput> = {},
): PlanInput {
  const construction = usualConstruction(kind);
  const stations = stationsOf(construction);
  const targets = new Map<string, Target>();
  const readings = new Map<string, Reading>();
  for (const s of stations) {
    const target = resolveTarget(construction, 'medium', [], s);
    if (target) targets.set(s.key, target);
    const value =
      set[s.key] !== undefined
        ? set[s.key]
        : set[s.quantity] !== undefined
          ? set[s.quantity]
          : (target?.aim ?? (GOOD as Readonly<Record<string, number>>)[s.quantity]);
    if (value === null || value === undefined) continue;
    readings.set(s.key, {
      key: s.key,
      quantity: s.quantity,
      string: s.string,
      fret: s.fret,
      value,
      round: 'as-found',
      takenAt: 0,
      notRepresentative: null,
    });
  }
  return {
    construction,
    stations,
    readings,
    stale: new Set(),
    targets,
    strings: 'at-pitch',
    findings: [],
    settings: USUAL_SETTINGS,
    ...more,
  };
}
