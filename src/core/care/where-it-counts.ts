import type { Construction } from '../instrument/construction.ts';
import { careFor, type CareAnswer, type ShopCare, type TaskId } from './care.ts';
import { partsOf, type CaredPart } from './surfaces.ts';

type Wanted = readonly (readonly [part: CaredPart['part'], task: TaskId])[];

/** The steps that put something on an instrument, with the part and what is done to it. */
const BY_OPERATION: Readonly<Record<string, Wanted>> = {
  'clean-body': [['Body and neck', 'clean']],
  'finish-polish': [['Body and neck', 'polish']],
  'board-clean': [
    ['Fingerboard', 'clean'],
    ['Fingerboard', 'moisten'],
  ],
  'fret-polish': [['Frets', 'polish']],
  'fret-dress': [['Frets', 'polish']],
  'clean-controls': [['Controls', 'clean']],
  battery: [['Controls', 'clean']],
  'rod-free': [['Body and neck', 'unstick']],
};

/** The items of an inspection that ask for it. */
const BY_ITEM: Readonly<Record<string, Wanted>> = {
  board: [
    ['Fingerboard', 'clean'],
    ['Fingerboard', 'moisten'],
  ],
  'board-lacquer': [['Fingerboard', 'moisten']],
  tarnish: [['Frets', 'polish']],
  finish: [['Body and neck', 'clean']],
  controls: [['Controls', 'clean']],
  switch: [['Controls', 'clean']],
  socket: [['Controls', 'clean']],
  battery: [['Controls', 'clean']],
  grip: [['Nut', 'unstick']],
};

export const CARED_OPERATIONS: readonly string[] = Object.keys(BY_OPERATION);
export const CARED_ITEMS: readonly string[] = Object.keys(BY_ITEM);

/** A part of this instrument with how something is done to it. */
export interface PartCare extends CareAnswer {
  readonly part: string;
}

/**
 * What may touch this very instrument, where a step or an item of the inspection asks for it.
 * @returns by operation and by item
 */
export function careOfInstrument(
  care: ShopCare,
  construction: Pick<Construction, 'fingerboard' | 'finish' | 'nut' | 'electronics' | 'assumed'>,
): {
  readonly operations: Readonly<Record<string, readonly PartCare[]>>;
  readonly items: Readonly<Record<string, readonly PartCare[]>>;
} {
  const parts = partsOf(construction);
  const all = (by: Readonly<Record<string, Wanted>>) =>
    Object.fromEntries(
      Object.entries(by).map(([id, wanted]) => [
        id,
        wanted.flatMap(([part, task]) => {
          const own = parts.find((p) => p.part === part);
          return own ? [{ part, ...careFor(care, own.surface, task) }] : [];
        }),
      ]),
    );
  return { operations: all(BY_OPERATION), items: all(BY_ITEM) };
}
