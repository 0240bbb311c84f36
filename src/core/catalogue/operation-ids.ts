import { SHIPPED } from './shipped.ts';

type ShippedId = keyof typeof SHIPPED;

/** The operations that ship, in the order of a setup. */
export const OPERATION_IDS = (Object.keys(SHIPPED) as ShippedId[]).sort(
  (a, b) => SHIPPED[a].order - SHIPPED[b].order,
);
/** An operation that ships, or one of the shop's own. */
export type OperationId = ShippedId | `own-${string}`;

const OWN = /^own-[a-z0-9-]{1,34}$/;

/** Whether a text is the id of an operation, shipped or a shop's own. */
export const isOperationId = (text: unknown): text is OperationId =>
  typeof text === 'string' && (Object.hasOwn(SHIPPED, text) || OWN.test(text));

/** The id of a shop's own operation from its name, unlike any of those there. */
export function ownOperationId(name: string, taken: readonly string[]): OperationId {
  const plain = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 28);
  const base = `own-${plain === '' ? 'operation' : plain}` as const;
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : (`${base}-${n}` as const);
    if (!taken.includes(id)) return id;
  }
}
