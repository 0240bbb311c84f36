import { OPERATIONS } from '../catalogue/operations.ts';
import { ownOperation } from '../catalogue/operations.ts';
import { onlyStrings, saidWork } from './said-work.ts';

const ids = (said: string) => saidWork(said, OPERATIONS).map((s) => s.operation);

test.each<[said: string, ...work: string[]]>([
  ['It plays stiff.'],
  ['Set it up for lighter strings, lower action.'],
  ['The jack crackles.', 'clean-controls', 'socket'],
  ['It buzzes on the third fret.', 'buzz-hunt'],
  ['Something rattles when I strum.', 'buzz-hunt'],
  ['No buzz, but the action is high.'],
  ['It doesn’t buzz any more, but the tuners slip.', 'tuners'],
  ['The nut is cracked.', 'nut-new'],
  ['I would like a bone nut and a bone saddle', 'nut-new', 'saddle-new'],
  ['There is a crack in the top', 'crack-glue'],
  ['It fell and the headstock broke', 'headstock-glue', 'crack-glue'],
  ['The bridge is lifting', 'bridge-reglue'],
  ['bridge coming off', 'bridge-reglue'],
  ['Frets are worn under the first strings', 'fret-dress'],
  ['The frets are worn out', 'refret'],
  ['Refret please', 'refret'],
  ['The frets are shot', 'refret'],
  ['It needs fretwork', 'fret-dress'],
  ['Wear on the frets', 'fret-dress'],
  ['The end pin fell out', 'strap-button'],
  ['It fell off its stand', 'crack-glue'],
  ['One pickup is dead', 'wiring'],
  ['The neck is warped'],
  ['The fingerboard is very dry.'],
  ['It is dry and the top is sinking', 'humidify'],
  ['sharp fret ends', 'fret-ends'],
  ['One fret has come up', 'fret-seat'],
  ['New pickups and a new switch', 'switch-new', 'pickup-new'],
  ['Replace the nut and the saddle', 'nut-new', 'saddle-new'],
  ['Swap the neck pickup', 'pickup-new'],
  ['It hums unless I touch the strings', 'shield'],
  ['No sound at all', 'wiring'],
  ['It cuts out', 'wiring'],
  ['Replace the machine heads', 'tuners-new'],
  ['strap button came out', 'strap-button'],
  ['the tremolo does not come back to pitch', 'vibrato'],
  ['The neck is twisted', 'neck-heat'],
  ['needs a neck reset', 'neck-reset'],
  ['Binding is coming loose at the waist', 'binding-glue'],
  ['It stood by the radiator all winter', 'humidify'],
  ['a dead note at the 7th', 'buzz-hunt'],
])('“%s” speaks of %s', (said, ...work) => {
  expect(ids(said)).toEqual(work);
});

test('the words are those that were said, also where one word serves twice', () => {
  expect(saidWork('A new nut, saddle and pins', OPERATIONS)).toEqual([
    { operation: 'nut-new', words: 'new nut' },
    { operation: 'saddle-new', words: 'new nut, saddle' },
    { operation: 'pins', words: 'pins' },
  ]);
});

test('each is said once, with the words that spoke of it; what the shop does not do is not planned', () => {
  expect(saidWork('Buzzes open, buzzes fretted.', OPERATIONS)).toEqual([
    { operation: 'buzz-hunt', words: 'buzzes' },
  ]);
  expect(
    saidWork(
      'It buzzes.',
      OPERATIONS.filter((o) => o.id !== 'buzz-hunt'),
    ),
  ).toEqual([]);
  const own = ownOperation('own-decal', 'Lay on a decal');
  expect(saidWork('Please lay on a decal.', [...OPERATIONS, own])).toEqual([
    { operation: 'own-decal', words: 'lay on a decal' },
  ]);
});

test.each([
  ['Just new strings.', true],
  ['restring please', true],
  ['Only a restring', true],
  ['Needs new strings', true],
  ['New strings and a setup', false],
  ['It buzzes since the new strings', false],
  ['', false],
])('“%s” asks for strings and nothing else: %s', (said, only) => {
  expect(onlyStrings(said)).toBe(only);
});

test('whatever is said, every operation it speaks of is one of the shop’s', () => {
  const known = new Set(OPERATIONS.map((o) => o.id));
  for (const said of ['', '()[]*+?\\', 'crack '.repeat(400), '🎸 ñandú', 'nut '.repeat(300) + 'new'])
    for (const s of saidWork(said, OPERATIONS)) expect(known.has(s.operation)).toBe(true);
});
