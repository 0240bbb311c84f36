import { OPERATIONS } from '../../core/plan/operations.ts';
import type { Operation } from '../../core/plan/operation.ts';
import type { OperationsFile } from './operations.ts';

/** A catalogue in the published format: what ships, or a shop's own. */
export const operationsFile = (operations: readonly Operation[] = OPERATIONS): OperationsFile =>
  operations.map((o) => ({
    id: o.id,
    name: o.name,
    order: o.order,
    needs: [...o.needs],
    minutes: o.minutes,
    wait: o.wait,
    skill: o.skill,
    place: o.place,
    materials: [...o.materials],
    price: o.price,
    parts: o.parts,
    stale: [...o.stale],
    reversible: o.reversible,
    hazards: [...o.hazards],
  }));
