import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { StringFact } from '../../core/instrument/construction-facts.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { RelativeWish } from '../../core/targets/target.ts';
import { readAmount, type MoneyForm } from '../../core/money/currency.ts';
import { parseLength } from '../../core/units/parse-length.ts';

/** The intake form as typed: text stays text until it is read. */
export interface IntakeForm {
  customerId: number | null;
  customerName: string;
  phone: string;
  email: string;
  instrumentId: number | null;
  kind: string;
  construction: Construction;
  scaleText: string;
  gaugesText: string;
  tuningText: string;
  maker: string;
  model: string;
  year: string;
  serial: string;
  complaint: string;
  touch: 'light' | 'medium' | 'heavy';
  plays: string;
  wish: string;
  actionWish: RelativeWish | '';
  neededBy: string;
  hardDate: boolean;
  hardReason: string;
  limit: string;
  stringsState: 'at-pitch' | 'missing' | 'off-pitch' | 'off';
  cameWith: string;
  placeId: string;
}

type Errors = Partial<Record<keyof IntakeForm, string>>;

/** Gauges lowest first as a bench writes them: `.053 .042 .032 .024 .016 .012` or `53 42 32`. Empty keeps the usual set. */
export function readGauges(
  text: string,
  strings: readonly StringFact[],
): Result<readonly StringFact[], string> {
  if (text.trim() === '') return ok(strings);
  const parts = text.trim().split(/[\s;]+/);
  if (parts.length !== strings.length)
    return fail(`${strings.length} gauges are needed, lowest first; ${parts.length} are written.`);
  const read: StringFact[] = [];
  for (const [i, part] of parts.entries()) {
    const length = parseLength(part, /^0?[.,]/.test(part) ? 'in' : 'thou');
    const string = strings[i];
    if (!length.ok || !string) return fail(`“${part}” is not a gauge.`);
    read.push({ ...string, gauge: length.value.mm });
  }
  return ok(read);
}

/** Open notes lowest first, with or without their octave: `D A D G B E`. Empty keeps the usual tuning. */
function readTuning(text: string, strings: readonly StringFact[]): Result<readonly StringFact[], string> {
  if (text.trim() === '') return ok(strings);
  const notes = text.trim().split(/[\s,]+/);
  if (notes.length !== strings.length)
    return fail(`${strings.length} notes are needed, lowest first; ${notes.length} are written.`);
  const wrong = notes.find((n) => !/^[A-Ga-g][#b]?\d?$/.test(n));
  if (wrong !== undefined) return fail(`“${wrong}” is not a note. Write notes like E or F#2.`);
  return ok(
    strings.map((s, i) => {
      const note = notes[i] ?? s.note;
      const name = note.charAt(0).toUpperCase() + note.slice(1);
      return { ...s, note: /\d$/.test(name) ? name : `${name}${s.note.slice(-1)}` };
    }),
  );
}

/** Reads the form into the command, or says what is wrong at which field. */
export function intakeCommand(
  f: IntakeForm,
  currency: MoneyForm,
): Result<CommandInput<'desk.take-in'>, Errors> {
  const scale = parseLength(f.scaleText, 'mm');
  const tuning = readTuning(f.tuningText, f.construction.strings);
  const gauges = readGauges(f.gaugesText, tuning.ok ? tuning.value : f.construction.strings);
  const limit = readAmount(f.limit, currency);
  const errors: Errors = {
    ...(f.customerName.trim() === '' ? { customerName: 'Who brings it?' } : {}),
    ...(f.complaint.trim() === '' ? { complaint: 'What brings it here, in the customer’s own words?' } : {}),
    ...(f.instrumentId === null && f.model.trim() === ''
      ? { model: 'What is it called? “no name” will do' }
      : {}),
    ...(scale.ok ? {} : { scaleText: scale.error.message }),
    ...(scale.ok && (scale.value.mm < 200 || scale.value.mm > 1200)
      ? { scaleText: `${scale.value.mm.toFixed(1)} mm is no scale length. Did you leave out the unit?` }
      : {}),
    ...(gauges.ok ? {} : { gaugesText: gauges.error }),
    ...(tuning.ok ? {} : { tuningText: tuning.error }),
    ...(limit.ok ? {} : { limit: limit.error }),
    ...(f.hardDate && f.neededBy === '' ? { neededBy: 'A hard date needs a date.' } : {}),
  };
  if (Object.keys(errors).length > 0 || !scale.ok || !gauges.ok || !tuning.ok || !limit.ok)
    return fail(errors);
  const { maker, model, year, serial, complaint, touch, plays, wish, hardDate, hardReason, stringsState } = f;
  return ok({
    customer:
      f.customerId === null ? { name: f.customerName, phone: f.phone, email: f.email } : { id: f.customerId },
    instrument:
      f.instrumentId === null
        ? {
            maker,
            model,
            year,
            serial,
            kind: f.kind,
            construction: { ...f.construction, strings: [...gauges.value], scale: scale.value.mm },
          }
        : { id: f.instrumentId },
    complaint,
    touch,
    plays,
    wish,
    actionWish: f.actionWish === '' ? null : f.actionWish,
    neededBy: f.neededBy === '' ? null : f.neededBy,
    hardDate,
    hardReason,
    limitMinor: limit.value,
    stringsState,
    cameWith: f.cameWith
      .split('\n')
      .map((name) => ({ name: name.trim(), state: '' }))
      .filter((thing) => thing.name !== ''),
    placeId: f.placeId === '' ? null : Number(f.placeId),
  });
}
