import { usualConstruction } from '../../core/instrument/defaults.ts';
import { KINDS } from '../../core/instrument/kinds.ts';
import {
  draftOf,
  readConstruction,
  readStrings,
  stringsText,
  type ConstructionDraft,
} from './construction-draft.ts';

const draft = (more: Partial<ConstructionDraft>): ConstructionDraft => ({
  ...draftOf(usualConstruction('steel-acoustic')),
  ...more,
});

test.each([...KINDS])('the usual %s written and read again is the same', async (kind) => {
  const usual = usualConstruction(kind);
  const read = await readConstruction(draftOf(usual));
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  const { strings, ...facts } = read.value;
  const { strings: before, ...known } = usual;
  expect(facts).toEqual(known);
  expect(strings.map((s) => [s.note, s.wound])).toEqual(before.map((s) => [s.note, s.wound]));
  strings.forEach((s, i) => expect(s.gauge).toBeCloseTo(before[i]?.gauge ?? 0, 6));
});

test('half a thou is kept', async () => {
  const read = readStrings('G3 .017, B3 .013, E4 .0095', usualConstruction('solid-electric'));
  expect(read.ok && stringsText(read.value)).toBe('G3 .017, B3 .013, E4 .0095');
});

test('four strings in fifths, in thou or inches, any case', async () => {
  const read = readStrings('c3 42w; G3 .030w\nD4 0.020w, a4 .011', usualConstruction('steel-acoustic'));
  expect(read.ok && stringsText(read.value)).toBe('C3 .042w, G3 .030w, D4 .020w, A4 .011');
});

test('a note without its octave is heard on the instrument, by its gauge', () => {
  const six = readStrings('A .130w, D .105w, G .085w, C .065w, F .045w, Bb .032w', usualConstruction('bass'));
  expect(six.ok && six.value.map((s) => s.note)).toEqual(['A0', 'D1', 'G1', 'C2', 'F2', 'Bb2']);
  const mixed = readStrings(
    'D2 .056w, A .042w, D .032w, F♯ .024w, A .016, D .012',
    usualConstruction('steel-acoustic'),
  );
  expect(mixed.ok && mixed.value.map((s) => s.note)).toEqual(['D2', 'A2', 'D3', 'F#3', 'A3', 'D4']);
});

test.each([
  ['scale', { scale: '25.5' }, /no scale length/],
  ['scale', { scale: 'long' }, /./],
  ['scale', { scale: '' }, /./],
  ['compensation', { compensation: '2 miles' }, /./],
  ['radius', { radius: 'round' }, /Write flat/],
  ['springs', { springs: '9' }, /None to six/],
  ['springs', { springs: 'two' }, /None to six/],
  ['frets', { frets: '6' }, /Ten to thirty-six/],
  ['frets', { frets: '' }, /Ten to thirty-six/],
  ['bodyFret', { bodyFret: '14.5' }, /7th to the 30th/],
  ['strings', { strings: 'E2 .053w, A2 .042w' }, /Three to fourteen strings; 2 are written/],
  ['strings', { strings: 'E2 .053w, A2 .042w, H3 .030' }, /“H3 .030” is not a string/],
  ['strings', { strings: 'E2 .053w, A2 .042w, D3' }, /Write a note and a gauge/],
  [
    'strings',
    { strings: 'E4 .012, B3 .016, G3 .024w, D3 .032w, A2 .042w, E2 .053w' },
    /Lowest string first.* Turned round: E2 .053w A2 .042w/,
  ],
  ['strings', { strings: 'E2 500, A2 .042w, D3 .030' }, /A gauge over 4 mm/],
] as const)('%s is questioned at its field', async (field, more, says) => {
  const read = await readConstruction(draft(more));
  expect(read.ok ? 'read' : (read.error[field] ?? JSON.stringify(read.error))).toMatch(says);
});

test('what nobody has looked at stays unsaid; what was said is kept', async () => {
  const bare = await readConstruction(draft({ radius: ' ', rodKey: '', springs: '' }));
  expect(bare.ok && ['radius', 'rodKey', 'springs'].some((k) => k in bare.value)).toBe(false);
  const said = await readConstruction(draft({ radius: '10 to 16', rodKey: ' 5/16 in ', springs: '3' }));
  expect(said).toMatchObject({
    ok: true,
    value: { radius: { kind: 'compound', nut: 254, end: 406.4 }, rodKey: '5/16 in', springs: 3 },
  });
});

test('all that is wrong is said at once', async () => {
  const read = await readConstruction(draft({ scale: 'x', frets: 'x', strings: '' }));
  expect(read.ok ? [] : Object.keys(read.error).sort()).toEqual(['frets', 'scale', 'strings']);
});
