import { isAdjustable, stringName, stringNumber, type Construction } from '../../instrument/construction.ts';
import { alongString } from '../../instrument/scales.ts';
import { contactFit } from '../../intonation/contact-fit.ts';
import { MOST_CENTS, moveAlone } from '../../intonation/intonation-plan.ts';
import { partnersOf } from '../../readings/courses.ts';
import { ACTION_FRET } from '../../readings/stations.ts';
import { formatLength } from '../../units/format-length.ts';
import { formatCents } from '../../units/parse-cents.ts';
import type { Outcome } from '../../whatif/consequences.ts';
import type { Moves } from '../../whatif/moves.ts';
import type { OperationId } from '../../catalogue/operation-ids.ts';
import { standings, together } from './judge-outcome.ts';
import { getsNewSet, offered, type Problem } from './problem.ts';
import { none, stay, type Part, type Refused, type Sizes, type Way, type Ways } from './way.ts';

const mm = (v: number): string => formatLength(Math.abs(v), 'mm');
const USUAL_CROWN = 3;

interface Out {
  readonly index: number;
  readonly cents: number;
  readonly move: number;
}

const moved = (m: Moves, out: readonly Out[], count: number): Moves => ({
  ...m,
  contact: Array.from({ length: count }, (_, i) => out.find((s) => s.index === i)?.move ?? m.contact[i] ?? 0),
});

/** The answers to notes that are out at the 12th: set, compensate the saddle, move its slot. */
export function contactWays(p: Problem, moves: Moves, o: Outcome, sizes: Sizes = 'asked'): Ways {
  // Contacts move by readings of these strings at this height: until both are as they will be, they wait.
  if (!o.asRead || getsNewSet(p)) return none('contact', moves);
  const c = p.model.construction;
  const notes = standings(p, o, ['intonation']).filter(
    (s) => s.value !== 0 && Math.abs(s.value) < MOST_CENTS,
  );
  const sets = together(p, notes, sizes).map((set) =>
    set.map((s) => ({
      index: s.judged.index,
      cents: s.value,
      move: moveAlone(alongString(c, s.judged.index), s.value),
    })),
  );
  const all = sets.map((set) => contactsTo(p, moves, set));
  return {
    ways: [stay('contact', moves), ...all.flatMap((w) => w.ways)],
    refused: all.flatMap((w) => w.refused),
  };
}

/** What a contact is called: a course's, where one serves its strings. */
function contactName(c: Construction, index: number): string {
  const string = stringNumber(c, index);
  return partnersOf(c, { quantity: 'intonation', string, fret: ACTION_FRET }).length > 0
    ? `course ${Math.ceil(string / c.perCourse)}`
    : `string ${stringName(c, string)}`;
}

/** Strings whose contact would leave the crown of the saddle that is there, and by how much. */
function offTheCrown(p: Problem, out: readonly Out[], crown: number) {
  return out.flatMap((s) => {
    const at = p.model.contact[s.index];
    const fit = at == null ? null : contactFit(crown, at, s.move);
    return fit && fit.outside !== 0 ? [{ ...s, fit }] : [];
  });
}

/** Why the saddle that is there can't be compensated so far. */
function beyondTheCrown(c: Construction, outside: ReturnType<typeof offTheCrown>, crown: number): Refused {
  const worst = outside.reduce((a, b) => (Math.abs(b.fit.outside) > Math.abs(a.fit.outside) ? b : a));
  const names = [...new Set(outside.map((s) => contactName(c, s.index)))].join(', ');
  return {
    group: 'contact',
    operations: ['compensate'],
    because: `${names} would leave the crown by up to ${mm(worst.fit.outside)}. Ways: ${worst.fit.ways.join('; ')}.`,
    would: `It would do on a saddle ${mm(crown + Math.abs(worst.fit.outside))} thick.`,
  };
}

/** Ways to move the contact of a set of strings. */
function contactsTo(p: Problem, moves: Moves, out: readonly Out[]): Ways {
  const c = p.model.construction;
  const each = out.map(
    (s) =>
      `${contactName(c, s.index)} ${formatCents(s.cents)} cents: ${mm(s.move)} ${s.move > 0 ? 'back' : 'forward'}`,
  );
  const says = [...new Set(each)].join(', ');
  const amounts = out.map((s) => ({
    what: `contact of string ${stringNumber(c, s.index)}`,
    amount: s.move,
    unit: 'mm' as const,
  }));
  const done = moved(moves, out, c.strings.length);
  const ways: Way[] = [];
  const refused: Refused[] = [];
  const crown = p.model.saddleThickness ?? USUAL_CROWN;
  const outside = offTheCrown(p, out, crown);
  const unread = out.some((s) => p.model.contact[s.index] == null);
  const add = (name: string, parts: readonly Part[], warns: readonly string[]) => {
    if (parts.every((x) => offered(p, x.operation) !== null))
      ways.push({ group: 'contact', name, parts, moves: done, warns });
  };
  const one = (operation: OperationId, firstCut?: string): Part => ({
    operation,
    says: `Move the contact: ${says}.`,
    amounts,
    removed: 0,
    firstCut,
  });
  if (isAdjustable(c)) {
    add('set the intonation', [one('intonate')], []);
    return { ways, refused };
  }
  if (outside.length > 0) {
    refused.push(beyondTheCrown(c, outside, crown));
  } else {
    add(
      'compensate the saddle',
      [one('compensate', 'file half of each move, read again, then finish')],
      unread
        ? ['Where the strings leave the saddle was not read: look whether each move stays on the crown.']
        : [],
    );
  }
  if (outside.length > 0 || unread)
    add(
      'a new slot for the saddle',
      [
        { ...one('saddle-slot'), says: 'Fill the slot and rout it where the contact must be.' },
        one('saddle-new'),
      ],
      [],
    );
  return { ways, refused };
}
