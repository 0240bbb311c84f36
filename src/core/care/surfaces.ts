import type { Construction } from '../instrument/construction.ts';

/** What an instrument shows to a cloth. `home` is what its player is told of it; empty where nothing needs to be said. */
export const SURFACES = {
  'board-raw': {
    name: 'Fingerboard, bare wood',
    first: 'beyond the last fret',
    home: 'The board is bare wood: wipe it after playing, and give it a very little board oil once or twice a year, all wiped off again.',
  },
  'board-lacquered': {
    name: 'Fingerboard, lacquered',
    first: 'beyond the last fret',
    home: 'The board is lacquered: a dry cloth only, no oil, it does not go in and creeps under the lacquer where that is worn.',
  },
  frets: { name: 'Frets', first: 'at the last fret', home: '' },
  lacquer: {
    name: 'Nitrocellulose lacquer',
    first: 'at the heel, under the strap',
    home: 'Its lacquer is tender: no solvents, no rubber stands, a soft dry cloth only.',
  },
  poly: {
    name: 'Polyester or polyurethane',
    first: 'at the heel, under the strap',
    home: 'Its finish is hard: a soft cloth, a little damp if need be, and now and then a polish without silicone.',
  },
  shellac: {
    name: 'Shellac',
    first: 'at the heel, under the strap',
    home: 'Its shellac is hurt by alcohol, sweat and heat: wipe it with a soft dry cloth after playing.',
  },
  oil: {
    name: 'Oil finish',
    first: 'at the heel, under the strap',
    home: 'Its oil finish dries out: a little of the same oil once a year, wiped off at once.',
  },
  unknown: {
    name: 'A finish nobody knows',
    first: 'where a part covers it',
    home: 'What its finish is, is not known: a soft dry cloth and nothing else.',
  },
  chrome: { name: 'Chrome plating', first: 'on the back of a part', home: '' },
  nickel: { name: 'Nickel plating', first: 'on the back of a part', home: '' },
  gold: { name: 'Gold plating', first: 'on the back of a part', home: '' },
  black: { name: 'Metal coated black', first: 'on the back of a part', home: '' },
  'bare-metal': { name: 'Bare brass or steel', first: 'on the back of a part', home: '' },
  plastic: { name: 'Plastic', first: 'on its back', home: '' },
  celluloid: { name: 'Celluloid: old pickguards, bindings, buttons', first: 'on its back', home: '' },
  bone: { name: 'Bone: nut and saddle', first: 'on its underside', home: '' },
  inside: { name: 'Bare wood inside', first: 'nowhere: it stays as it is', home: '' },
  contacts: { name: 'Potentiometers, sockets, switches', first: 'with the power off', home: '' },
} as const satisfies Readonly<
  Record<string, { readonly name: string; readonly first: string; readonly home: string }>
>;

export type SurfaceId = keyof typeof SURFACES;
export const SURFACE_IDS = Object.keys(SURFACES) as SurfaceId[];

/** A part of an instrument and what it shows. */
export interface CaredPart {
  readonly part: string;
  readonly surface: SurfaceId;
}

/** A part with what it shows, in words: `Body and neck: shellac`; a part that is its surface is said once. */
export function sayPart({ part, surface }: CaredPart): string {
  const { name } = SURFACES[surface];
  return name.startsWith(part) ? name : `${part}: ${name.charAt(0).toLowerCase()}${name.slice(1)}`;
}

const boardSurface = (c: Pick<Construction, 'fingerboard' | 'assumed'>): SurfaceId =>
  c.assumed?.includes('fingerboard') ? 'unknown' : c.fingerboard === 'raw' ? 'board-raw' : 'board-lacquered';

/** What this very instrument shows to a cloth, part by part; what nobody has looked at is not known; its plating is to be looked at. */
export const partsOf = (
  c: Pick<Construction, 'fingerboard' | 'finish' | 'nut' | 'electronics' | 'assumed'>,
): readonly CaredPart[] => [
  { part: 'Body and neck', surface: c.assumed?.includes('finish') ? 'unknown' : c.finish },
  { part: 'Fingerboard', surface: boardSurface(c) },
  { part: 'Frets', surface: 'frets' },
  ...(c.nut === 'bone' ? [{ part: 'Nut', surface: 'bone' as const }] : []),
  ...(c.electronics === 'none' ? [] : [{ part: 'Controls', surface: 'contacts' as const }]),
];
