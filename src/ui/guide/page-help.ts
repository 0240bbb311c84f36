import type { KeyHelp, PageHelp, Rule } from './help-kinds.ts';
import { PRACTICE_HELP } from './practice-help.ts';
import { STORES_HELP } from './stores-help.ts';

const FIND: KeyHelp = { keys: '/', does: 'to the search field' };
const ANYTHING: KeyHelp = { keys: '/', does: 'finds anything: a job, an instrument, a customer' };
const ALL: readonly KeyHelp[] = [
  { keys: '?', does: 'this help' },
  { keys: 'Esc', does: 'closes what is open' },
];

/** The first that fits a path. */
const RULES: readonly Rule[] = [
  {
    at: /^\/shelf\/\d+$/,
    name: 'An instrument',
    purpose:
      'Its life: every visit on one line of time, what it moved by itself, what it will read in February, what is watched, and its own numbers with the readings behind them.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/shelf\/jobs/,
    name: 'Every job',
    purpose:
      'Every job the shop has known, narrowed by words, how they stand, kind and days, ordered by a column’s head; kept as a view of your own, taken out as CSV, printed.',
    keys: [],
    guide: 'desk-day',
  },
  {
    at: /^\/shelf\/customer/,
    name: 'A customer',
    purpose:
      'How they are reached, what is theirs, every visit. A lead or the owner takes out what is kept of them, or forgets them: names go everywhere, what was signed keeps its digest.',
    keys: [],
    guide: 'owner-day',
  },
  ...STORES_HELP,
  ...PRACTICE_HELP,
  {
    at: /^\/house\/care/,
    name: 'Care',
    purpose:
      'How much cleaning the price has in it; what may touch what, where this shop says it otherwise than the trade; what players are told at hand-over. Every version stays.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/house\/air/,
    name: 'The air',
    purpose:
      'Temperature and humidity of the shop, as a logger wrote them down: rounds begin with them, and what a neck will do over the year is said by them.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/house\/hours/,
    name: 'Opening hours',
    purpose:
      'When the shop is open, and on which days it is not: it stands on papers and beside days that are promised.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/house\/keeping/,
    name: 'What is kept',
    purpose: 'For how long names, photos and addresses of messages are kept, and the log as a file.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/house\/copies/,
    name: 'Copies',
    purpose:
      'When the record was copied last and where the copy is, whether every seal still holds, how to put a copy back, and what did not work of late.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/rack/,
    name: 'Rack',
    purpose:
      'Where every instrument is, who has it and what it waits for. A tag hangs on the rail of what it waits for; its beads are the six leaves.',
    keys: [FIND],
    guide: 'bench-day',
  },
  {
    at: /^\/desk\/take-in/,
    name: 'Taking in',
    purpose:
      'The talk at the counter, in its order: who, what brings it, what it is, how it is played, by when.',
    keys: [{ keys: 'Tab', does: 'to the next field' }],
    guide: 'desk-day',
  },
  {
    at: /^\/desk\/afterwards/,
    name: 'Afterwards',
    purpose:
      'Whom to call about what went home: a check that was offered, something watched that is near its limit or past it, an instrument that the season will have moved. What came of it is kept, and it comes again on its day.',
    keys: [],
    guide: 'desk-day',
  },
  {
    at: /^\/desk/,
    name: 'Desk',
    purpose:
      'Who is at the counter: find first; below it what goes home today, who must be asked, what came in.',
    keys: [FIND],
    guide: 'desk-day',
  },
  {
    at: /^\/bench/,
    name: 'Bench',
    purpose: 'What you do now, what comes next, and what rests.',
    keys: [],
    guide: 'bench-day',
  },
  {
    at: /^\/week/,
    name: 'Week',
    purpose:
      'Who does what when, and which promise is in danger. A bar is a step, its thread the rest after it; what you put somewhere stays, the rest flows around it. Steps too short for a finger are tapped together; the lines at the foot say where they stand. What rests after a finished step stands dashed in the clamp or jig it keeps, and by its number on the day it has rested. What the plan moved by itself today is told with why.',
    keys: [
      { keys: '← →', does: 'a step a quarter of an hour earlier or later' },
      { keys: 'Shift ← →', does: 'a step a quarter of an hour shorter or longer' },
      { keys: '↑ ↓', does: 'to the next person' },
      { keys: 'p', does: 'holds a step where it is' },
      { keys: 'Delete', does: 'gives it back to the planner' },
    ],
    guide: 'bench-day',
  },
  {
    at: /^\/house\/learned/,
    name: 'How it came out',
    purpose:
      'What was said beforehand and what came of it: cuts, turns, plans, minutes, promises. What the shop’s own work says its rules would better be is proposed here; a lead or the owner takes it.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/house\/week/,
    name: 'The week',
    purpose:
      'Of what the shop has few, when some of it cannot be used, who is not here, and what counts how much in a plan.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/shelf/,
    name: 'Shelf',
    purpose:
      'Every instrument and customer the shop has known, and what moved between visits. What hangs on the floor is sold here.',
    keys: [FIND],
    guide: 'desk-day',
  },
  {
    at: /^\/sums/,
    name: 'Sums',
    purpose: 'Any calculation without a job, in any unit; drawings print at true size.',
    keys: [FIND, { keys: '↑ ↓', does: 'along the list' }, { keys: 'Enter', does: 'to the next field' }],
    guide: 'words',
  },
  {
    at: /^\/house/,
    name: 'House',
    purpose:
      'The shop’s rules: who works here, prices, targets, checklists, how it reads and hands over. A lead or the owner changes them.',
    keys: [],
    guide: 'owner-day',
  },
  {
    at: /^\/job\/\d+\/arrival/,
    name: 'Arrival',
    purpose:
      'What was said and brought at the counter, damage that was there, where it hangs. All of it is corrected here until it is signed.',
    keys: [
      { keys: '← ↑ → ↓', does: 'moves the cross while marking damage' },
      { keys: 'Enter', does: 'marks there' },
    ],
    guide: 'desk-day',
  },
  {
    at: /^\/job\/\d+\/inspection/,
    name: 'Inspection',
    purpose: 'One item after the other; what needs strings comes before they come off.',
    keys: [
      { keys: 'f', does: 'fine' },
      { keys: 'w', does: 'to watch' },
      { keys: 'n', does: 'needs work' },
      { keys: '1 – 9', does: 'needs work, by the finding of that number' },
      { keys: 'x', does: 'does not apply' },
      { keys: 's', does: 'skipped' },
      { keys: 'u', does: 'takes the last answer back' },
      { keys: '↑ ↓', does: 'to another item' },
    ],
    guide: 'bench-day',
  },
  {
    at: /^\/job\/\d+\/readings/,
    name: 'Readings',
    purpose:
      'Each reading is typed where it is taken, in any unit. The drawing bends with it; the words under it say what it means. Listen fills in the cents by ear.',
    keys: [
      { keys: 'Enter', does: 'keeps the reading and goes to the next place' },
      { keys: 'Shift Enter', does: 'back to the place before' },
      { keys: 'y', does: 'yes, as typed, where a reading is asked about' },
      { keys: 'a b d e', does: 'the other readings that would make sense' },
      { keys: 'A, Page up', does: 'while it listens: once more, or back to the place before' },
      { keys: 'S, Page down', does: 'while it listens: leaves the place out' },
      { keys: 'Esc', does: 'while it listens: stops' },
    ],
    guide: 'bench-day',
  },
  {
    at: /^\/job\/\d+\/plan/,
    name: 'Plan',
    purpose:
      'What would be done now and why, what can be tried on the neck, the plans beside each other, what the customer chooses from, and the hunt for a noise.',
    keys: [{ keys: '← →', does: 'moves a handle by one step' }],
    guide: 'bench-day',
  },
  {
    at: /^\/job\/\d+\/work/,
    name: 'Work',
    purpose:
      'The order: the customer’s word line by line, steps with their clocks, what hinders one, what it comes to.',
    keys: [
      { keys: 'Space', does: 'takes a step up by its handle, and puts it down' },
      { keys: '↑ ↓', does: 'moves what was taken up' },
    ],
    guide: 'bench-day',
  },
  {
    at: /^\/job\/\d+\/hand-over/,
    name: 'Hand-over',
    purpose: 'How the job ends, the bench check, what goes back, the sheet the customer signs, payment.',
    keys: [],
    guide: 'desk-day',
  },
  {
    at: /^\/job\/\d+\/history/,
    name: 'History',
    purpose: 'Every change of this job as a sentence: who, when, what stood there before.',
    keys: [],
    guide: 'lead-day',
  },
];

const ANYWHERE: PageHelp = {
  name: 'Rubrica',
  purpose: 'One record of every instrument, from the first look to the signature.',
  keys: [],
  guide: 'words',
};

/** What stands behind `?` on a page: what the page is for, and its keys with those that work everywhere. */
export function helpFor(path: string): PageHelp {
  const found = RULES.find((r) => r.at.test(path)) ?? ANYWHERE;
  const { name, purpose, keys, guide } = found;
  // Where a page has its own search field, `/` is that one's.
  const find = keys.some((k) => k.keys === ANYTHING.keys) ? [] : [ANYTHING];
  return { name, purpose, keys: [...keys, ...find, ...ALL], guide };
}
