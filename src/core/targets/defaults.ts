import type { KindTargets } from '../instrument/kind-record.ts';
import { KIND_RECORDS, KINDS, type Kind } from '../instrument/kinds.ts';

/** Starting targets by kind: ordinary trade practice, every one a shop setting. */
export const KIND_TARGETS = Object.fromEntries(KINDS.map((k) => [k, KIND_RECORDS[k].targets])) as Readonly<
  Record<Kind, KindTargets>
>;
