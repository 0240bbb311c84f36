import type { BoardRadius } from '../../core/instrument/board-radius.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import { FACTS, type StringFact } from '../../core/instrument/construction-facts.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { middleScale } from '../../core/instrument/scales.ts';
import { constructionSchema } from '../construction.ts';
import { csv, readCsv } from './customers.ts';

/** An instrument as the file carries one: its owner by name, its kind by id, its construction. */
export interface InstrumentEntry {
  readonly customer: string;
  readonly kind: string;
  readonly maker: string;
  readonly model: string;
  readonly year: string;
  readonly serial: string;
  readonly construction: Construction;
}

const NAMED = ['customer', 'kind', 'maker', 'model', 'year', 'serial'] as const;
const CHOICES = Object.keys(FACTS) as (keyof typeof FACTS)[];
const COLUMNS = [
  ...NAMED,
  'rules',
  'scale_mm',
  'compensation_mm',
  'frets',
  'body_fret',
  'strings_a_course',
  'left_handed',
  'strings',
  'radius',
  'rod_key',
  'springs',
  ...CHOICES.map((c) => c.toLowerCase()),
] as const;

/** What nobody has looked at, by name; a file without it was looked at throughout. */
const NOT_LOOKED_AT = 'not_looked_at';

/** Strings as `E2 1.3462w; A2 1.0668w`, gauges in mm, lowest first. */
const stringsOut = (strings: readonly StringFact[]): string =>
  strings.map((s) => `${s.note} ${s.gauge}${s.wound ? 'w' : ''}`).join('; ');

const stringsIn = (text: string): StringFact[] =>
  text.split(';').map((part) => {
    const [note = '', gauge = ''] = part.trim().split(/\s+/);
    return { note, gauge: Number.parseFloat(gauge), wound: gauge.endsWith('w') };
  });

const number = (text: string | undefined): number =>
  /^\d+(\.\d+)?$/.test(text ?? '') ? Number(text) : Number.NaN;

/** A radius in mm: `flat`, `304.8`, `254 to 406.4`; empty where nobody has looked. */
const radiusOut = (r: BoardRadius | undefined): string =>
  r === undefined
    ? ''
    : r.kind === 'flat'
      ? 'flat'
      : r.kind === 'single'
        ? String(r.at)
        : `${r.nut} to ${r.end}`;

function radiusIn(text: string): { readonly radius?: unknown } {
  if (text === '') return {};
  if (text === 'flat') return { radius: { kind: 'flat' } };
  const [nut, end] = text.split(' to ').map(number);
  return { radius: end === undefined ? { kind: 'single', at: nut } : { kind: 'compound', nut, end } };
}

/** A scale in mm; where frets fan out both and the straight fret: `864 to 813 at 7`. */
const scalesOut = ({ scale, fan }: InstrumentEntry['construction']): string =>
  fan ? `${fan.bass} to ${fan.treble} at ${fan.straight}` : String(scale);

function scalesIn(text: string): { readonly scale: number; readonly fan?: unknown } {
  const [bass, treble, straight] = text.split(/ to | at /).map(number);
  return bass === undefined || treble === undefined
    ? { scale: number(text) }
    : { scale: middleScale({ bass, treble }), fan: { bass, treble, straight } };
}

/** Instruments as CSV: one line each, lengths in mm. */
export const toInstrumentsCsv = (all: readonly InstrumentEntry[]): string =>
  csv(
    [...COLUMNS, NOT_LOOKED_AT],
    all.map((i) => {
      const c = i.construction;
      return [
        ...NAMED.map((n) => i[n]),
        c.kind,
        scalesOut(c),
        String(c.compensation),
        String(c.frets),
        String(c.bodyFret),
        String(c.perCourse),
        c.leftHanded ? 'yes' : 'no',
        stringsOut(c.strings),
        radiusOut(c.radius),
        c.rodKey ?? '',
        c.springs === undefined ? '' : String(c.springs),
        ...CHOICES.map((f) => c[f]),
        (c.assumed ?? []).join(' '),
      ];
    }),
  );

/** Reads instruments from CSV; says line and column of what is not possible. */
export function readInstrumentsCsv(text: string): Result<InstrumentEntry[], string> {
  const rows = readCsv(text, COLUMNS, [NOT_LOOKED_AT]);
  if (!rows.ok) return rows;
  const read: InstrumentEntry[] = [];
  for (const [i, r] of rows.value.entries()) {
    const construction = constructionSchema.safeParse({
      kind: r['rules'],
      leftHanded: r['left_handed'] === 'yes',
      ...scalesIn(r['scale_mm'] ?? ''),
      compensation: number(r['compensation_mm']),
      frets: number(r['frets']),
      bodyFret: number(r['body_fret']),
      perCourse: number(r['strings_a_course']),
      strings: stringsIn(r['strings'] ?? ''),
      ...radiusIn(r['radius'] ?? ''),
      ...(r['rod_key'] && { rodKey: r['rod_key'] }),
      ...(r['springs'] && { springs: number(r['springs']) }),
      ...Object.fromEntries(CHOICES.map((f) => [f, r[f.toLowerCase()]])),
      ...(r[NOT_LOOKED_AT] && { assumed: r[NOT_LOOKED_AT].split(/[ ;,]+/) }),
    });
    const [wrong] = construction.error?.issues ?? [];
    if (!construction.success)
      return fail(`Line ${i + 2}, ${wrong?.path.join('.') ?? 'construction'}: ${wrong?.message ?? ''}.`);
    const named = Object.fromEntries(NAMED.map((n) => [n, (r[n] ?? '').slice(0, 120)])) as Record<
      (typeof NAMED)[number],
      string
    >;
    if (named.customer === '') return fail(`Line ${i + 2}, customer: whose is it?`);
    if (named.model === '') return fail(`Line ${i + 2}, model: what is it called? “no name” will do.`);
    if (!/^[a-z0-9-]{1,40}$/.test(named.kind))
      return fail(`Line ${i + 2}, kind: “${named.kind}” is not a kind.`);
    read.push({ ...named, construction: construction.data });
  }
  return ok(read);
}
