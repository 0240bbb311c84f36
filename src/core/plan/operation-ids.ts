/** The operations that ship, in the order of a setup as far as they have one. */
export const OPERATION_IDS = [
  'string-up',
  'tune-stretch',
  'strings-off',
  'restring',
  'look-inside',
  'buzz-hunt',
  'second-look',
  'leave-watch',
  'tighten',
  'clean-controls',
  'battery',
  'socket',
  'wiring',
  'shield',
  'switch-new',
  'pickup-new',
  'humidify',
  'crack-glue',
  'brace-glue',
  'bridge-plate',
  'bridge-reglue',
  'bridge-thin',
  'bridge-new',
  'headstock-glue',
  'rod-free',
  'rod',
  'neck-clamp',
  'neck-heat',
  'neck-settle',
  'neck-off',
  'shim',
  'tilt',
  'neck-reset',
  'board-plane',
  'binding-glue',
  'fret-seat',
  'fret-spot',
  'fret-dress',
  'fret-replace',
  'refret',
  'fall-away',
  'fret-ends',
  'fret-polish',
  'board-clean',
  'nut-new',
  'nut-fill',
  'nut-shim',
  'nut-lower',
  'nut-slots',
  'nut-compensate',
  'saddle-slot',
  'saddle-new',
  'saddle-shim',
  'saddle-set',
  'saddle-lower',
  'saddle-raise',
  'pins',
  'vibrato',
  'intonate',
  'compensate',
  'pickup-height',
  'tuners',
  'tuners-new',
  'strap-button',
  'screw-hole',
  'finish-touch',
  'finish-polish',
  'clean-body',
  'play-test',
  'tweak',
] as const;
type ShippedId = (typeof OPERATION_IDS)[number];
/** An operation that ships, or one of the shop's own. */
export type OperationId = ShippedId | `own-${string}`;

const OWN = /^own-[a-z0-9-]{1,34}$/;
const SHIPPED: ReadonlySet<string> = new Set(OPERATION_IDS);

/** Whether a text is the id of an operation, shipped or a shop's own. */
export const isOperationId = (text: unknown): text is OperationId =>
  typeof text === 'string' && (SHIPPED.has(text) || OWN.test(text));

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
