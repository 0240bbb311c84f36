import { z } from 'zod';
import {
  ORIGINAL_PARTS,
  PART_STATES,
  type OriginalPart,
  type PartState,
} from '../../../core/learn/originality.ts';
import { answering, command } from '../command.ts';
import { id, text, version } from '../fields.ts';

const parts = Object.keys(ORIGINAL_PARTS) as [OriginalPart, ...OriginalPart[]];
const states = Object.keys(PART_STATES) as [PartState, ...PartState[]];

/** Says whether a part of an instrument is original, by what that is known, and what was looked up where. */
export const shelfOriginality = command({
  name: 'shelf.originality',
  may: 'inspect',
  events: ['originality said'],
  input: z.object({
    instrumentId: id,
    part: z.enum(parts),
    state: z.enum(states),
    knownBy: text(200),
    lookedUp: text(300),
    version,
  }),
  answer: answering<{ readonly version: number }>(),
});

/** Keeps a part of an instrument: what it is, where it lies, its measures. */
export const shelfKeepPart = command({
  name: 'shelf.keep-part',
  may: 'work',
  events: ['part kept'],
  input: z.object({
    instrumentId: id,
    name: text(120).min(1, 'What is it?'),
    place: text(120).min(1, 'Where does it lie?'),
    measures: text(300),
  }),
  answer: answering<{ readonly partId: number }>(),
});

/** Changes what is said of a kept part, or where it went. */
export const shelfChangePart = command({
  name: 'shelf.change-part',
  may: 'work',
  events: ['kept part changed'],
  input: z.object({
    partId: id,
    version,
    name: text(120).min(1, 'What is it?'),
    place: text(120).min(1, 'Where does it lie?'),
    measures: text(300),
    /** where it went: given back, built in; nothing while it is here */
    gone: text(200),
  }),
  answer: answering<{ readonly version: number }>(),
});
