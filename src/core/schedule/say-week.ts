import { STATIONS } from '../catalogue/operation-record.ts';
import type { Keeps } from './why.ts';
import type { MovedWhy } from './why-moved.ts';
import type { Remedy } from './remedies.ts';

/** How the plan says people and moments. */
export interface WeekWords {
  readonly person: (id: number) => string;
  /** a moment of the plan, minutes: `Fri 4 Dec, 14:00` */
  readonly moment: (at: number) => string;
  readonly day: (at: number) => string;
}

const list = (words: readonly string[]): string =>
  words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

const jobs = (numbers: readonly number[]): string =>
  numbers.length > 3
    ? `by ${numbers.slice(0, 3).join(', ')} and ${numbers.length - 3} more`
    : `by ${list(numbers.map(String))}`;

const stationName = (kind: string): string =>
  kind in STATIONS
    ? STATIONS[kind as keyof typeof STATIONS].replace(/^(an?|the) /, '').replace(/^clamps$/, 'pair of clamps')
    : kind;

const placeName = (kind: string): string =>
  kind in STATIONS ? STATIONS[kind as keyof typeof STATIONS].replace(/^an? /, 'every ') : kind;

/** What keeps a job, as a sentence without its full stop. */
export function sayKeeps(k: Keeps, w: WeekWords): string {
  switch (k.kind) {
    case 'word':
      return `the customer has not answered; if they do by ${w.moment(k.until)}, “${k.step}” goes on`;
    case 'to-ask':
      return `the customer is asked after “${k.step}”, and likely answers by ${w.moment(k.until)}`;
    case 'part':
      return `a part is awaited, likely ${w.day(k.until)}`;
    case 'resting':
      return `it rests until ${w.moment(k.until)}`;
    case 'rest':
      return `the rest after “${k.after}” ends ${w.moment(k.until)}`;
    case 'place':
      return `${placeName(k.place)} is taken${k.by.length > 0 ? ` ${jobs(k.by)}` : ''} until ${w.moment(k.until)}`;
    case 'hands':
      return `${k.who.length === 1 ? `${w.person(k.who[0] ?? 0)} alone may do “${k.step}”, and is` : `those who may do “${k.step}” (${list(k.who.map(w.person))}) are`} busy ${jobs(k.by).replace('by', 'with')} until ${w.moment(k.until)}`;
    case 'hours':
      return `nobody who may do “${k.step}” is here before ${w.moment(k.until)}`;
    case 'stands':
      return `“${k.step}” could begin ${w.moment(k.from)}; the plan has it on ${w.moment(k.until)}`;
    case 'pin':
      return `“${k.step}” was put on ${w.moment(k.until)}`;
    case 'work':
      return `“${k.step}” is worked on until ${w.moment(k.until)}`;
  }
}

/** Why a step moved, as a sentence without its full stop. */
export function sayMoved(m: MovedWhy, w: WeekWords & { readonly step: (id: string) => string }): string {
  switch (m.kind) {
    case 'put':
      return 'somebody put it there';
    case 'given':
      return 'it is in other hands now';
    case 'not-begun':
      return 'its time came, and nobody began it';
    case 'waits':
      return m.for === 'word'
        ? `the customer has not answered; likely by ${w.moment(m.until)}`
        : m.for === 'part'
          ? `a part is awaited, likely ${w.day(m.until)}`
          : `it rests until ${w.moment(m.until)}`;
    case 'before':
      return `“${w.step(m.step)}” before it is not over until ${w.moment(m.until)}`;
    case 'away':
      return `${w.person(m.worker)} is not here then`;
    case 'hands':
      return `${w.person(m.worker)} is busy then, ${jobs(m.by).replace('by', 'with')}`;
    case 'place':
      return `its ${stationName(m.place)} ${m.by.length > 0 ? `is taken then ${jobs(m.by)}` : 'cannot be used then'}`;
    case 'sooner':
      return 'there is room for it sooner';
    case 'better':
      return 'elsewhere it serves the dates of all better';
  }
}

const FIRST = 'do it before what it waits behind';

/** What would save a promise, as a sentence without its full stop. */
export function sayRemedy(r: Remedy, w: WeekWords & { readonly step: (id: string) => string }): string {
  switch (r.kind) {
    case 'first':
      return FIRST;
    case 'hands':
      return `give “${w.step(r.step)}” to ${w.person(r.worker)}`;
    case 'call':
      return r.first
        ? `call the customer, have their answer today, and ${FIRST}`
        : 'call the customer, and have their answer today';
    case 'ask':
      return `call the customer right after “${w.step(r.step)}”${r.first ? `, have their answer within hours, and ${FIRST}` : ', and have their answer within hours'}`;
    case 'longer':
      return `${w.person(r.worker)} stays until ${w.moment(r.to)}`;
  }
}
