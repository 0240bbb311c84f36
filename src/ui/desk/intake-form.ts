import type { CommandInput } from '../../contracts/commands/commands.ts';
import type { AssumedFact } from '../../core/instrument/assumable.ts';
import { allAssumed, saidOf } from '../../core/instrument/assumed.ts';
import type { Construction } from '../../core/instrument/construction.ts';
import type { StringFact } from '../../core/instrument/construction-facts.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Matters } from '../../core/instrument/matters.ts';
import type { SetPayer } from '../../core/job/set-payer.ts';
import type { Conditions } from '../../core/readings/conditions.ts';
import type { RelativeWish, Touch } from '../../core/targets/target.ts';
import { readAmount, type MoneyForm } from '../../core/money/currency.ts';
import { hearTuning, stringsOf, type HeardOn, type HeardTuning } from '../../core/strings/hear-tuning.ts';
import { readGauges } from './read-gauges.ts';
import { readScales } from '../../core/instrument/read-scales.ts';

/** The intake form as typed: text stays text until it is read. */
export interface IntakeForm {
  customerId: number | null;
  customerName: string;
  phone: string;
  email: string;
  instrumentId: number | null;
  /** empty until it is said */
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
  touch: Touch | 'not-said';
  plays: string;
  matters: Matters | 'not-said';
  setPaidBy: SetPayer | 'not-said';
  wish: string;
  actionWish: RelativeWish | '';
  neededBy: string;
  hardDate: boolean;
  hardReason: string;
  limit: string;
  /** null until somebody has looked */
  stringsState: Conditions['strings'] | null;
  cameWith: string;
  placeId: string;
}

/** The form before anything was said. */
export const NOTHING_SAID: IntakeForm = {
  customerId: null,
  customerName: '',
  phone: '',
  email: '',
  instrumentId: null,
  kind: '',
  construction: allAssumed(usualConstruction('steel-acoustic')),
  scaleText: '',
  gaugesText: '',
  tuningText: '',
  maker: '',
  model: '',
  year: '',
  serial: '',
  complaint: '',
  touch: 'not-said',
  plays: '',
  matters: 'not-said',
  setPaidBy: 'not-said',
  wish: '',
  actionWish: '',
  neededBy: '',
  hardDate: false,
  hardReason: '',
  limit: '',
  stringsState: null,
  cameWith: '',
  placeId: '',
};

type Errors = Partial<Record<keyof IntakeForm, string>>;

/** What a tuning is heard on: the instrument as typed, and its gauges where they were typed. */
const heardOn = (
  f: Pick<IntakeForm, 'construction' | 'gaugesText'>,
  { scale, fan }: Pick<Construction, 'scale' | 'fan'>,
): HeardOn => {
  const { kind, perCourse, compensation, strings } = f.construction;
  const count = f.gaugesText.trim() === '' ? 0 : f.gaugesText.trim().split(/[\s;]+/).length;
  const gauges = count === 0 ? null : readGauges(f.gaugesText, plainStrings(strings, count));
  const said = gauges?.ok ? gauges.value : null;
  return { kind, perCourse, compensation, scale, fan, usual: strings, gauges: said };
};

/** As many strings as were typed, as the usual ones from the highest down; those beyond them are wound. */
const plainStrings = (usual: readonly StringFact[], count: number): readonly StringFact[] =>
  Array.from(
    { length: count },
    (_, i) => usual[usual.length - count + i] ?? { note: '', gauge: 1, wound: true },
  );

/** A tuning as it is heard on the instrument that is typed; nothing where nothing is typed. */
export function heardTuning(
  f: Pick<IntakeForm, 'construction' | 'gaugesText' | 'tuningText' | 'scaleText'>,
): Result<HeardTuning | null, string> {
  if (f.tuningText.trim() === '') return ok(null);
  const scales = readScales(f.scaleText);
  return hearTuning(f.tuningText, heardOn(f, scales.ok ? scales.value : f.construction));
}

/** The strings of the tuning that is typed; the usual ones where none is. The number of strings is the number of notes. */
function readTuning(f: IntakeForm): Result<readonly StringFact[], string> {
  const { strings } = f.construction;
  const heard = heardTuning(f);
  if (!heard.ok) return heard;
  if (heard.value === null) return ok(strings);
  const { notes, other } = heard.value;
  if (other !== null) return fail(`Two would do: ${notes.join(' ')}, or ${other.join(' ')}. Choose one.`);
  return ok(stringsOf(strings, notes));
}

const unfanned = ({ fan: _f, ...c }: Construction): Construction => c;

/** What was typed of an instrument, and is not taken as usual for its kind. */
const typedFacts = (f: IntakeForm): AssumedFact[] =>
  [
    ['scale' as const, f.scaleText],
    ['gauges' as const, f.gaugesText],
    ['tuning' as const, f.tuningText],
  ].flatMap(([fact, text]) => (text?.trim() === '' ? [] : [fact as AssumedFact]));

/** What has to be said and is not. */
const unsaid = (f: IntakeForm): Errors => ({
  ...(f.customerName.trim() === '' ? { customerName: 'Who brings it?' } : {}),
  ...(f.complaint.trim() === '' ? { complaint: 'What brings it here, in the customer’s own words?' } : {}),
  ...(f.instrumentId === null && f.model.trim() === ''
    ? { model: 'What is it called? “no name” will do' }
    : {}),
  ...(f.instrumentId === null && f.kind === ''
    ? { kind: 'What is it? Its kind decides what is asked and read.' }
    : {}),
  ...(f.stringsState === null ? { stringsState: 'How are its strings? What is read goes by it.' } : {}),
  ...(f.hardDate && f.neededBy === '' ? { neededBy: 'A hard date needs a date.' } : {}),
});

/** Reads the form into the command, or says what is wrong at which field. */
export function intakeCommand(
  f: IntakeForm,
  currency: MoneyForm,
): Result<CommandInput<'desk.take-in'>, Errors> {
  const { scale, fan } = f.construction;
  const scales = f.scaleText.trim() === '' ? ok({ scale, ...(fan && { fan }) }) : readScales(f.scaleText);
  const tuning = readTuning(f);
  const gauges = readGauges(f.gaugesText, tuning.ok ? tuning.value : f.construction.strings);
  const limit = readAmount(f.limit, currency);
  const errors: Errors = {
    ...unsaid(f),
    ...(scales.ok ? {} : { scaleText: scales.error }),
    ...(gauges.ok ? {} : { gaugesText: gauges.error }),
    ...(tuning.ok ? {} : { tuningText: tuning.error }),
    ...(limit.ok ? {} : { limit: limit.error }),
  };
  const { stringsState } = f;
  if (Object.keys(errors).length > 0 || !scales.ok || !gauges.ok || !tuning.ok || !limit.ok || !stringsState)
    return fail(errors);
  const { maker, model, year, serial, complaint, plays, wish, hardDate, hardReason } = f;
  const said = saidOf(f.construction, typedFacts(f));
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
            construction: { ...unfanned(said), ...scales.value, strings: [...gauges.value] },
          }
        : { id: f.instrumentId },
    complaint,
    touch: f.touch === 'not-said' ? null : f.touch,
    plays,
    matters: f.matters === 'not-said' ? null : f.matters,
    setPaidBy: f.setPaidBy === 'not-said' ? null : f.setPaidBy,
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
