import { deskTakeIn } from '../../contracts/commands/desk/take-in.ts';
import { allAssumed } from '../../core/instrument/assumed.ts';
import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import { intakeCommand, NOTHING_SAID, type IntakeForm } from './intake-form.ts';

const form = (more: Partial<IntakeForm> = {}): IntakeForm => ({
  ...NOTHING_SAID,
  customerName: 'Runa Eskelow',
  phone: '555 0199',
  kind: 'steel-acoustic',
  construction: usualConstruction('steel-acoustic'),
  scaleText: '648',
  maker: 'Wendlow',
  model: 'Otter',
  complaint: 'It plays stiff.',
  touch: 'medium',
  stringsState: 'at-pitch',
  ...more,
});

const command = (more: Partial<IntakeForm>) => {
  const read = intakeCommand(form(more), 'XXX');
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};

const made = (more: Partial<IntakeForm>) => {
  const { instrument } = command(more);
  if ('id' in instrument) throw new Error('an instrument we know');
  return instrument.construction;
};

describe('the intake form becomes a command', () => {
  test.each([...KINDS])('the usual facts of a %s are a command the house accepts', (kind) => {
    const construction = usualConstruction(kind);
    const read = deskTakeIn.input.safeParse(command({ construction, scaleText: String(construction.scale) }));
    expect(read.error?.issues ?? []).toEqual([]);
  });

  test.each([
    ['648', 648],
    ['25.5 in', 647.7],
    ['25 1/2"', 647.7],
    ['647,7', 647.7],
  ])('a scale of %s is %d mm', (scaleText, expected) => {
    expect(made({ scaleText }).scale).toBeCloseTo(expected, 9);
  });

  test.each([
    ['.053 .042 .032 .024 .016 .012'],
    ['53 42 32 24 16 12'],
    ['0,053; 0,042; 0,032; 0,024; 0,016; 0,012'],
  ])('gauges %s are read in thousandths or inches', (gaugesText) => {
    const gauges = made({ gaugesText }).strings.map((s) => Math.round(s.gauge / 0.0254));
    expect(gauges).toEqual([53, 42, 32, 24, 16, 12]);
  });

  test('notes keep their octave unless one is written', () => {
    const notes = (tuningText: string) => made({ tuningText }).strings.map((s) => s.note);
    expect(notes('D A D G B E')).toEqual(['D2', 'A2', 'D3', 'G3', 'B3', 'E4']);
    expect(notes('d A d f#3 A D')).toEqual(['D2', 'A2', 'D3', 'F#3', 'A3', 'D4']);
    expect(notes('')).toEqual(['E2', 'A2', 'D3', 'G3', 'B3', 'E4']);
  });

  test('what nobody said is taken as usual, and is said to be', () => {
    const construction = allAssumed(usualConstruction('bass'));
    const quick = made({ construction, scaleText: '', gaugesText: '' });
    expect(quick).toMatchObject({ scale: construction.scale, assumed: construction.assumed });
    const typed = made({ construction, scaleText: '34 in', gaugesText: '105 85 65 45' });
    expect(typed.scale).toBeCloseTo(863.6, 6);
    expect(typed.assumed).toEqual(construction.assumed?.filter((f) => f !== 'scale' && f !== 'gauges'));
    expect(made({}).assumed).toBeUndefined();
    expect(command({ touch: 'not-said' }).touch).toBeNull();
    expect(command({}).matters).toBeNull();
    expect(command({ matters: 'history' }).matters).toBe('history');
  });

  test('things come a line each, without empty ones', () => {
    expect(command({ cameWith: ' hard case \n\n key\n' }).cameWith).toEqual([
      { name: 'hard case', state: '' },
      { name: 'key', state: '' },
    ]);
  });

  test.each([
    ['', null],
    ['120', 12_000],
    ['89,5', 8_950],
    ['89.05', 8_905],
  ])('a limit of “%s” is %s minor units', (limit, expected) => {
    expect(command({ limit }).limitMinor).toBe(expected);
  });

  test('a customer and an instrument that are known go by their ids', () => {
    expect(command({ customerId: 7, instrumentId: 9, model: '' })).toMatchObject({
      customer: { id: 7 },
      instrument: { id: 9 },
    });
  });
});

describe('what is wrong is said at its field', () => {
  test.each<[string, Partial<IntakeForm>, keyof IntakeForm, RegExp]>([
    ['no name', { customerName: '  ' }, 'customerName', /Who brings it/],
    ['no complaint', { complaint: '' }, 'complaint', /own words/],
    ['no kind', { kind: '' }, 'kind', /Its kind decides/],
    ['strings nobody looked at', { stringsState: null }, 'stringsState', /How are its strings/],
    ['no model', { model: '' }, 'model', /no name/],
    ['a scale in inches without its unit', { scaleText: '25.5' }, 'scaleText', /no scale length/],
    ['a scale that is no length', { scaleText: 'long' }, 'scaleText', /not a length/],
    ['too few gauges', { gaugesText: '.053 .042' }, 'gaugesText', /6 gauges are needed/],
    ['a gauge that is none', { gaugesText: '53 42 32 24 16 thin' }, 'gaugesText', /“thin” is not a gauge/],
    [
      'gauges from the thin end',
      { gaugesText: '.012 .016 .024 .032 .042 .053' },
      'gaugesText',
      /Turned round: \.053 \.042/,
    ],
    ['too few notes', { tuningText: 'D A' }, 'tuningText', /3 to 12 notes/],
    [
      'gauges of another number than notes',
      { gaugesText: '53 42 32 24 16 12', tuningText: 'B E A D G B E' },
      'tuningText',
      /6 gauges and 7 notes/,
    ],
    ['a note that is none', { tuningText: 'D A D G H E' }, 'tuningText', /“H” is not a note/],
    ['money that is none', { limit: 'not much' }, 'limit', /amount/],
    ['a hard date without a date', { hardDate: true }, 'neededBy', /needs a date/],
  ])('%s', (_what, more, field, message) => {
    const read = intakeCommand(form(more), 'XXX');
    expect(read.ok).toBe(false);
    if (!read.ok) {
      expect(Object.keys(read.error)).toEqual([field]);
      expect(read.error[field]).toMatch(message);
    }
  });

  test('everything wrong is said at once', () => {
    const read = intakeCommand(form({ customerName: '', complaint: '', model: '', limit: 'x' }), 'XXX');
    expect(Object.keys(read.ok ? {} : read.error)).toEqual(['customerName', 'complaint', 'model', 'limit']);
  });
});
