import { FINDINGS } from './findings.ts';

/**
 * What was found as one tells it to somebody who plays: by item and finding where that matters, else for
 * every finding of an item. The bench's
 * own words, numbers and places stay inside.
 */
const TABLE = `
case | The case is damaged.
serial | Its number cannot be read.
damage | There is damage that was not known before.
originals | A part was replaced earlier.
dry:dry | It has become too dry.
dry:damp | It has become too damp.
rattle | Something is loose inside.
strings:old | The strings are old or do not belong together.
strings:unknown | It is not known which strings are on it.
tune:drifts | It does not hold its tuning.
tune:slips | A tuner slips.
octaves | The pairs of strings do not match.
open-buzz | An open string buzzes.
fretted-buzz:buzzes | A note buzzes when it is fretted.
fretted-buzz:chokes | A note dies when it is fretted.
fretted-buzz:dead | A note sounds dead.
bends | Notes die when you bend them high up.
resonance | Something rattles at one pitch.
sight:dip | The neck dips somewhere.
sight:hump | The fingerboard has a hump.
sight:back | The neck bows backward.
sight:waves | The fingerboard is wavy.
twist | The neck is twisted a little.
far-end:rise | The fingerboard rises at its end.
far-end:lifted | The end of the fingerboard has lifted off.
relief | The neck’s curve is not what it should be.
rod:stuck | The rod in the neck is stuck.
rod:at-its-end | The rod in the neck is at its end.
rod:loose | The rod in the neck has nothing to hold on to.
rod:unreachable | The rod in the neck cannot be reached from outside.
rod-reach:unreachable | The rod in the neck cannot be reached from outside.
rod-reach:rounded | The nut of the neck’s rod is worn round.
action | The strings are not at the height they should have.
last-fret | The strings stand high at the end of the fingerboard.
saddle-left | There is little left of the saddle.
nut-gap | The strings are not at the height they should have at the first frets.
grip | A string sticks in the nut.
nut-spacing | The strings are not evenly spaced at the nut.
nut-cracks:cracked | The nut is cracked.
nut-cracks:loose | The nut is loose.
intonation | Some strings play out of tune up the neck.
low-frets | The first frets play sharp.
contact | A string does not leave the saddle where it should.
saddle-seat:leans | The saddle leans.
saddle-seat:loose | The saddle is loose.
saddle-seat:cracked | The saddle is cracked.
break | The strings do not press firmly enough on the saddle.
wrap | The thick end of a string lies on the saddle.
pins:proud | A bridge pin stands out.
pins:loose | A bridge pin is loose.
ties | The end of a string touches the top.
saddle-screws:seized | A screw of the saddle does not turn.
saddle-screws:prick | A screw of the saddle pricks the hand.
saddle-screws:lowest | The saddles stand as low as they go.
saddle-screws:highest | The saddles stand as high as they go.
thumbwheels:seized | A wheel of the bridge does not turn.
thumbwheels:bowed | The bridge has bent in the middle.
thumbwheels:lowest | The bridge stands as low as it goes.
thumbwheels:highest | The bridge stands as high as it goes.
bridge-place:moved | The bridge has moved.
bridge-place:feet | The bridge does not stand fully on the top.
bridge-place:lowest | The bridge stands as low as it goes.
bridge-place:highest | The bridge stands as high as it goes.
tailpiece | The tailpiece rattles.
vibrato-return | The vibrato does not come back to pitch.
vibrato-float | The vibrato does not stand level.
vibrato-arm:loose | The arm of the vibrato is loose.
vibrato-arm:springs | The springs of the vibrato need care.
controls:crackles | A control crackles.
controls:dead | A control is dead somewhere on its way.
switch:cuts | The switch cuts out.
switch:dead | A position of the switch is dead.
socket:loose | The output socket is loose.
socket:crackles | The output socket crackles.
battery:flat | The battery is flat.
battery:corroded | The battery’s contacts are corroded.
noise:hum | It hums.
noise:dead | It gives no sound.
balance | One string is weaker than the others.
pickup-height | The pickups are not at their height.
tuners:slips | A tuner slips.
tuners:worn | The tuners are worn out.
bushings | The bushings of the tuners are loose.
guides | A string guide grips the string.
buttons:loose | A strap button is loose.
buttons:stripped | The screw of a strap button does not hold any more.
guard | The pickguard lifts.
fret-seat | A fret has come up at its end.
fret-wear:pits | The frets are worn where you play most.
fret-wear:worn | The frets are worn out.
fret-height | There is little left of the frets.
fret-level:rocks | One fret stands higher than its neighbours.
fret-level:uneven | Some frets stand higher than their neighbours.
fret-crown | The frets have become flat on top.
fret-ends | The ends of the frets can be felt.
tarnish | The frets are dull.
board:dry | The fingerboard is dry.
board:dirty | The fingerboard is dirty.
board-lacquer | The lacquer on the fingerboard is worn through.
board-cracks | The fingerboard is cracked.
binding | The binding is loose somewhere.
dots | A side dot is missing.
top:bulged | The top bulges.
top:sunken | The top has sunk.
cracks:open | There is an open crack.
cracks:moves | There is a crack that moves.
braces | A brace inside is loose.
plate:worn | The plate under the bridge is worn.
plate:cracked | The plate under the bridge is cracked.
bridge-lift | The bridge lifts off the top.
bridge-thick | The bridge has become thin.
pin-holes | The holes of the bridge pins are worn.
neck-angle | The angle of the neck does not fit the bridge any more.
heel:gap | There is a gap where neck and body meet.
heel:crack | There is a crack where neck and body meet.
pocket | The neck moves in its pocket.
neck-screws | A screw of the neck does not hold any more.
cavity:cold | A joint of the wiring is bad.
cavity:corroded | The wiring is corroded.
shield | The shielding is not joined up.
seams | A seam is open.
finish | The finish is damaged.
corrosion | Metal parts are rusty.
`;

const SENTENCES: ReadonlyMap<string, string> = new Map(
  TABLE.trim()
    .split('\n')
    .map((line) => {
      const [key = '', says = ''] = line.split(' | ');
      return [key, says] as const;
    }),
);

/** The sentence where nobody chose what it is: the one there is, or the only finding’s; with several, more would be guessed. */
const unnamed = (item: string): string | undefined => {
  const all = FINDINGS.get(item) ?? [];
  return SENTENCES.get(item) ?? (all.length === 1 ? SENTENCES.get(`${item}:${all[0]?.id}`) : undefined);
};

/**
 * What was found on an item, in the customer's words. Where nobody chose which of several it is, only that.
 * @param finding its id, where one was chosen by name
 * @param title of the item
 * @example plainFinding('fret-level', 'rocks', 'Frets level') → 'One fret stands higher than its neighbours.'
 */
export const plainFinding = (item: string, finding: string | null, title: string): string =>
  (finding === null ? unnamed(item) : (SENTENCES.get(`${item}:${finding}`) ?? SENTENCES.get(item))) ??
  `${title}: not as it should be.`;

/** Every item and finding there is a sentence for. */
export const PLAIN_KEYS: readonly string[] = [...SENTENCES.keys()];
