import { OPERATIONS } from '../../core/catalogue/operations.ts';
import type { Operation } from '../../core/catalogue/operation.ts';
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
    fits: o.fits,
    customer: o.customer,
    done: o.done,
    changes: o.changes,
    risky: o.risky,
    takesFrom: o.takesFrom,
    restsOn: [...o.restsOn],
    wantsStraight: o.wantsStraight,
    heavy: o.heavy,
    askedBy: [...o.askedBy],
    replaces: [...o.replaces],
    includes: [...o.includes],
    waitRange: o.waitRange,
    actWhen: o.actWhen,
    strung: o.strung,
    strings: o.strings,
    alongside: o.alongside,
    alongString: o.alongString,
    filesNut: o.filesNut,
    plain: o.plain,
  }));
