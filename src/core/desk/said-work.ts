import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Operation } from '../catalogue/operation.ts';

/** Work that a customer's words speak of, with the words that did. */
export interface SaidWork {
  readonly operation: OperationId;
  readonly words: string;
}

interface Words {
  readonly whole: RegExp;
  /** what of it speaks of nothing else any more */
  readonly taken: RegExp | null;
}

interface Speaks {
  readonly words: Words;
  readonly of: OperationId;
}

const NEW = String.raw`(?:new|replac\w*|swap\w*|chang\w*|exchang\w*|install\w*|put in|upgrad\w*)`;
const BROKEN = String.raw`(?:broke\w*|crack(?:s|ed)?|split|snapp\w*|chipp\w*)`;
const NEAR = String.raw`(?:\W+[\w’'-]+){0,4}\W+`;
const any = (words: string): Words => ({ whole: new RegExp(`\\b(?:${words})\\b`, 'giu'), taken: null });
/** A thing and what is the matter with it, near each other in either order; “new” goes on for the next thing that is named. */
const both = (thing: string, matter: string): Words => ({
  whole: new RegExp(`\\b(?:${thing}${NEAR}${matter}|${matter}${NEAR}${thing})\\b`, 'giu'),
  taken: new RegExp(`\\b(?:${thing}|(?!${NEW})${matter})\\b`, 'giu'),
});
const blank = (text: string): string => ';'.repeat(text.length);

/**
 * What is said at a counter, and what work it mostly comes to: ordinary trade practice, to plan by until somebody has looked. What
 * stands first takes its words: a cracked nut is not a cracked top.
 */
const SPEAKS: readonly Speaks[] = [
  { of: 'headstock-glue', words: both(String.raw`(?:headstock|head)`, BROKEN) },
  { of: 'nut-new', words: both('nut', `(?:${NEW}|${BROKEN}|worn|bone)`) },
  { of: 'saddle-new', words: both('saddle', `(?:${NEW}|${BROKEN}|bone)`) },
  { of: 'switch-new', words: both('switch', `(?:${NEW}|broke\\w*|dead)`) },
  {
    of: 'clean-controls',
    words: any(String.raw`crackl\w*|scratchy|pots?|knobs?|(?:volume|tone) controls?|switch\w*`),
  },
  {
    of: 'socket',
    words: any(String.raw`(?:output )?jack|sockets?|(?:lead|cable|plug) (?:falls|drops|comes|is loose)\w*`),
  },
  { of: 'pickup-new', words: both('pick-?ups?', NEW) },
  { of: 'battery', words: any('batter(?:y|ies)') },
  {
    of: 'shield',
    words: any(String.raw`hums?|humming|earth(?:ing)?|ground(?:ing)? (?:noise|problem)|shield\w*`),
  },
  {
    of: 'wiring',
    words: any(
      String.raw`no (?:sound|output|signal)|silent|pick-?ups? (?:is |are )?dead|dead pick-?ups?|cuts? (?:in and )?out|cutting out|(?:re)?wir(?:e|ed|ing)`,
    ),
  },
  {
    of: 'refret',
    words: any(
      String.raw`re-?fret\w*|new frets|new set of frets|frets (?:are )?(?:gone|finished|shot|worn (?:out|through))|(?:pull|take out) the frets`,
    ),
  },
  {
    of: 'fret-ends',
    words: any(String.raw`(?:sharp |sticking )?fret ends?|frets? (?:stick\w*|poke\w*) out|sharp frets?`),
  },
  {
    of: 'fret-seat',
    words: any(
      String.raw`(?:lifted|lifting|loose|popped|raised|high) frets?|frets? (?:has |have |is |are )?(?:lifted|come up|popped|loose)`,
    ),
  },
  {
    of: 'fret-dress',
    words: both(
      'frets?',
      String.raw`(?:worn|wear\w*|level\w*|dress\w*|crown\w*|pits?|pitted|grooves?|dents?|flat)`,
    ),
  },
  { of: 'fret-dress', words: any(String.raw`fret ?work`) },
  { of: 'fret-polish', words: both('frets?', String.raw`(?:polish\w*|scratch\w*|rough|dull|tarnish\w*)`) },
  {
    of: 'bridge-reglue',
    words: both(
      'bridge',
      String.raw`(?:lift\w*|com(?:es|ing) (?:off|up|away|loose)|came off|pull\w*|unglu\w*|re-?glu\w*|loose)`,
    ),
  },
  { of: 'brace-glue', words: any('braces?|bracing') },
  { of: 'binding-glue', words: any('bindings?') },
  {
    of: 'tuners-new',
    words: both(
      String.raw`(?:tuners?|machine heads?|tuning (?:pegs|machines)|pegs)`,
      `(?:${NEW}|broke\\w*|bent)`,
    ),
  },
  { of: 'tuners', words: any(String.raw`tuners?|machine heads?|tuning (?:pegs?|machines?)|pegs? slips?`) },
  { of: 'strap-button', words: any(String.raw`strap (?:button|pin|lock)s?|end ?pins?`) },
  { of: 'pins', words: any('bridge pins?|pins') },
  { of: 'vibrato', words: any(String.raw`vibrato|tremolo|trem|whammy|arm unit`) },
  { of: 'neck-reset', words: any('neck (?:re-?set|angle)') },
  { of: 'neck-heat', words: both('neck', String.raw`twist\w*`) },
  { of: 'guard-glue', words: any('pick ?guards?|scratch ?plates?') },
  {
    of: 'finish-touch',
    words: any(String.raw`dings?|chipp?e?d? (?:finish|lacquer|paint)|lacquer|varnish|touch(?:ed)?[ -]?up`),
  },
  {
    of: 'finish-polish',
    words: both(String.raw`(?:body|finish|top|back)`, String.raw`(?:polish\w*|shine|buff\w*)`),
  },
  {
    of: 'humidify',
    words: any(
      String.raw`dried out|(?:it|guitar|instrument|top) (?:is|got) (?:too |very |so )?dry|humidity|humidif\w*|damp|sunk\w*|sinking|heater|radiator`,
    ),
  },
  {
    of: 'crack-glue',
    words: any(
      String.raw`cracks?|cracked|split|splits|fell(?! out)|fallen(?! out)|dropped|knocked over|seam`,
    ),
  },
  { of: 'buzz-hunt', words: any(String.raw`buzz\w*|rattl\w*|chok(?:es|ing)|dead (?:notes?|spots?)`) },
];

/** Just before what it denies: “no buzz”, “doesn’t rattle any more”. */
const DENIED = /(?:\b(?:no|not|never|without|nothing)|n[’']t)\s+(?:\w+\s+)?$/iu;

/** Only strings are wanted, and nothing else. */
const ONLY_STRINGS =
  /^\W*(?:please\W+)?(?:(?:just|only)\W+)?(?:needs?\W+)?(?:an?\W+)?(?:re-?string\w*|new (?:set of )?strings|(?:change|replace) (?:of |the )?strings|string change)(?:\W+(?:please|only|just that))*\W*$/iu;

/** Whether a customer asks for strings and nothing else. */
export const onlyStrings = (said: string): boolean => ONLY_STRINGS.test(said);

/** A shop's own work, where its name stands in what is said. */
function ownWork(said: string, catalogue: readonly Operation[]): SaidWork[] {
  const text = said.toLowerCase();
  return catalogue
    .filter((o) => o.id.startsWith('own-') && text.includes(o.name.toLowerCase()))
    .map((o) => ({ operation: o.id, words: o.name.toLowerCase() }));
}

/**
 * What work a customer's own words speak of, in the order of the trade's table: a likely order until somebody has looked.
 * @param said the complaint and the wish
 * @param catalogue the shop's operations: what it does not have is not planned
 * @example saidWork('The jack crackles and it buzzes.', OPERATIONS) → [{ operation: 'clean-controls' }, { operation: 'socket' }, { operation: 'buzz-hunt' }]
 */
export function saidWork(said: string, catalogue: readonly Operation[]): readonly SaidWork[] {
  const known = new Set(catalogue.map((o) => o.id));
  let left = said;
  const found: SaidWork[] = [];
  for (const { words, of } of SPEAKS) {
    left = left.replaceAll(words.whole, (match: string, at: number) => {
      if (DENIED.test(said.slice(0, at))) return match;
      if (known.has(of) && !found.some((f) => f.operation === of))
        found.push({ operation: of, words: said.slice(at, at + match.length).toLowerCase() });
      // What was understood speaks of nothing else; as many letters stay, so that what is near stays near.
      return words.taken === null ? blank(match) : match.replaceAll(words.taken, blank);
    });
  }
  return [...found, ...ownWork(said, catalogue)];
}
