import { changedFrom } from '../../core/instrument/assumed.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { StringFact } from '../../core/instrument/construction-facts.ts';
import { readRadius, sayRadius } from '../../core/instrument/board-radius.ts';
import { readScales, scalesText } from '../../core/instrument/read-scales.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { thinFirst } from '../../core/strings/gauge-order.ts';
import { hearTuning, type HeardOn } from '../../core/strings/hear-tuning.ts';
import { parseLength } from '../../core/units/parse-length.ts';

/** A construction as it is typed: numbers and strings stay text until they are read. */
export interface ConstructionDraft {
  readonly facts: Construction;
  /** what stood there before */
  readonly from: Construction;
  readonly scale: string;
  readonly compensation: string;
  readonly frets: string;
  readonly bodyFret: string;
  readonly strings: string;
  readonly radius: string;
  readonly rodKey: string;
  readonly springs: string;
}

export type DraftErrors = Partial<
  Record<
    'scale' | 'compensation' | 'frets' | 'bodyFret' | 'strings' | 'radius' | 'rodKey' | 'springs',
    string
  >
>;

/** A gauge in inches: `.053`, with a half thou where it has one, `.0095`. */
const gaugeText = (mm: number): string => (mm / 25.4).toFixed(4).replace(/^0/, '').replace(/0$/, '');

/** Says strings the way they are typed: `E2 .053w, A2 .042w, …`; `w` marks a wound one. */
export const stringsText = (strings: readonly StringFact[]): string =>
  strings.map((s) => `${s.note} ${gaugeText(s.gauge)}${s.wound ? 'w' : ''}`).join(', ');

/** A construction as text to be changed. */
export const draftOf = (c: Construction): ConstructionDraft => ({
  facts: c,
  from: c,
  scale: scalesText(c),
  compensation: String(c.compensation),
  frets: String(c.frets),
  bodyFret: String(c.bodyFret),
  strings: stringsText(c.strings),
  radius: c.radius ? sayRadius(c.radius) : '',
  rodKey: c.rodKey ?? '',
  springs: c.springs === undefined ? '' : String(c.springs),
});

/** The instrument strings are read for: a note without its octave is heard on it. */
type StrungOn = Omit<HeardOn, 'usual' | 'gauges'> & Pick<Construction, 'strings'>;

/**
 * Reads strings, lowest first, each a note and a gauge: `E2 .053w`. A note may come without its octave, where only one makes sense
 * for the instrument and the gauge.
 */
export function readStrings(text: string, on: StrungOn): Result<StringFact[], string> {
  const parts = text
    .split(/[,;\n]+/)
    .map((p) => p.trim())
    .filter((p) => p !== '');
  if (parts.length < 3 || parts.length > 14)
    return fail(`Three to fourteen strings; ${parts.length} are written.`);
  const read: StringFact[] = [];
  for (const part of parts) {
    const m = /^([A-Ga-g])([#♯b♭]?\d?)\s+([\d.,/]+)\s*(w?)$/.exec(part);
    if (!m) return fail(`“${part}” is not a string. Write a note and a gauge, like E2 .053w.`);
    const [, letter = '', rest = '', gauge = '', wound = ''] = m;
    const length = parseLength(gauge, /^0?[.,]/.test(gauge) ? 'in' : 'thou');
    if (!length.ok) return fail(`“${gauge}” is not a gauge.`);
    read.push({ note: `${letter.toUpperCase()}${rest}`, gauge: length.value.mm, wound: wound === 'w' });
  }
  const turned = thinFirst(
    parts,
    read.map((s) => s.gauge),
  );
  return turned === null ? withOctaves(read, on) : fail(turned);
}

/** The strings with every note in its octave. */
function withOctaves(read: readonly StringFact[], on: StrungOn): Result<StringFact[], string> {
  if (read.every((s) => /^[A-G][#b]?\d$/.test(s.note))) return ok([...read]);
  const { kind, scale, fan, perCourse, compensation, strings: usual } = on;
  const heardOn = { kind, scale, fan, perCourse, compensation, usual, gauges: read };
  const heard = hearTuning(read.map((s) => s.note).join(' '), heardOn);
  if (!heard.ok) return heard;
  const { notes, other } = heard.value;
  if (other !== null)
    return fail(`Two would do: ${notes.join(' ')}, or ${other.join(' ')}. Write the octaves too.`);
  return ok(read.map((s, i) => ({ ...s, note: notes[i] ?? s.note })));
}

const withoutOptional = ({ fan: _f, radius: _r, rodKey: _k, springs: _s, ...facts }: Construction) => facts;

const whole = (text: string): number => (/^\d{1,2}$/.test(text.trim()) ? Number(text.trim()) : Number.NaN);

/** Reads a draft into a construction the house accepts, or says what is wrong at which field. */
export async function readConstruction(draft: ConstructionDraft): Promise<Result<Construction, DraftErrors>> {
  const [scale, compensation] = [readScales(draft.scale), parseLength(draft.compensation, 'mm')];
  const strings = readStrings(draft.strings, { ...draft.facts, ...(scale.ok ? scale.value : {}) });
  const radius = draft.radius.trim() === '' ? ok(undefined) : readRadius(draft.radius);
  const springs = draft.springs.trim() === '' ? undefined : whole(draft.springs);
  const [frets, bodyFret] = [whole(draft.frets), whole(draft.bodyFret)];
  const errors: DraftErrors = {
    ...(scale.ok ? {} : { scale: scale.error }),
    ...(compensation.ok ? {} : { compensation: compensation.error.message }),
    ...(strings.ok ? {} : { strings: strings.error }),
    ...(radius.ok ? {} : { radius: radius.error }),
    ...(springs === undefined || (springs >= 0 && springs <= 6) ? {} : { springs: 'None to six.' }),
    ...(frets >= 10 && frets <= 36 ? {} : { frets: 'Ten to thirty-six frets.' }),
    ...(bodyFret >= 7 && bodyFret <= 30 ? {} : { bodyFret: 'The 7th to the 30th.' }),
  };
  if (Object.keys(errors).length > 0 || !scale.ok || !compensation.ok || !strings.ok || !radius.ok)
    return fail(errors);
  const made = {
    ...withoutOptional(draft.facts),
    ...scale.value,
    compensation: compensation.value.mm,
    frets,
    bodyFret,
    strings: strings.value,
    ...(radius.value && { radius: radius.value }),
    ...(draft.rodKey.trim() !== '' && { rodKey: draft.rodKey.trim() }),
    ...(springs !== undefined && { springs }),
  };
  // What the house checks by comes when there is something to check.
  const { constructionSchema } = await import('../../contracts/construction.ts');
  const checked = constructionSchema.safeParse(made);
  if (checked.success) return ok(changedFrom(draft.from, made));
  const wrong = checked.error.issues.map((i): [string, string] => [String(i.path[0]), i.message]);
  return fail(Object.fromEntries(wrong) as DraftErrors);
}
