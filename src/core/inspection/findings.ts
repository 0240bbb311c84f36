import type { Operation } from '../catalogue/operation.ts';
import type { OperationId } from '../catalogue/operation-ids.ts';
import type { Construction } from '../instrument/construction.ts';
import { askedFor, OPERATIONS } from '../catalogue/operations.ts';

/** What “needs work” on an item of the list means: a name to choose, and what it leads to. */
export interface NamedFinding {
  readonly id: string;
  readonly name: string;
  /** the operation that deals with it as it ships; null where none does by itself */
  readonly leadsTo: OperationId | null;
  /** what must be asked or read before it can be dealt with */
  readonly asks?: string;
  /** why it is not dealt with in a setup */
  readonly why?: string;
}

const TABLE = `
case: damaged | Case damaged |  | The case is the customer’s to replace: say so at hand-over.
serial: unreadable | Number cannot be read | Is there a date or a label inside?
damage: new | Damage nobody knew of | Has the customer seen it?
originals: replaced | A part was replaced | Is the old part here?
dry: dry | Too dry ; damp | Too damp
rattle: loose | Something loose inside
strings: old | Old or mixed strings ; unknown | Set not known | Which set is on it?
tune: drifts | Does not hold its tuning ; slips | A tuner slips
octaves: mixed | Courses not paired as they should be
open-buzz: buzzes | An open string buzzes
fretted-buzz: buzzes | A fretted note buzzes ; chokes | A note chokes ; dead | A dead note
bends: chokes | A bend chokes
resonance: rattles | One pitch rattles
sight: dip | A dip | Read the relief: what the eye sees as a dip is a number. ; hump | A hump ; back | A back-bow | Read the relief: a back-bow is loosened first. ; waves | Waves
twist: twisted | A twist
far-end: rise | The far end rises ; lifted | It rises more than the frets can give
relief: out | Relief out of its band | Read the relief.
rod: stuck | Stuck |  | The rod nut is stuck: it is not forced. ; at-its-end | At its end |  | The rod is at its end: it is not turned further. ; loose | Turns without bearing ; unreachable | Cannot be reached |  | The rod nut cannot be reached with the neck on.
rod-reach: unreachable | Cannot be reached |  | The rod nut cannot be reached with the neck on. ; rounded | Nut rounded
action: out | Action out of its band | Read the action at both sides.
last-fret: rise | Higher than the 12th tells
saddle-left: little | Too little saddle left | Read how far the saddle stands out.
nut-gap: out | Gap out of its band | Read the gap over fret 1 at each string.
grip: grips | A slot grips
nut-spacing: uneven | Spacing uneven
nut-cracks: cracked | Cracked ; loose | Loose
intonation: out | Notes out at the 12th | Read the intonation at each string once the height is set.
low-frets: sharp | Sharp at the low frets
contact: front | Leaves at the front edge ; back | Leaves at the back edge
saddle-seat: leans | Leans in its slot ; loose | Loose in its slot ; cracked | Cracked
break: shallow | Too shallow | Read the break angle.
wrap: climbs | A wrapped end climbs onto the saddle
pins: proud | A pin stands proud ; loose | A pin is loose
ties: untidy | A tie touches the top
saddle-screws: seized | A screw is seized ; prick | A screw pricks the hand ; lowest | At their lowest |  | They go no further down: what is still too high wants the neck’s angle. ; highest | At their highest |  | They go no further up: what is still too low wants the neck’s angle.
thumbwheels: seized | A thumbwheel does not turn ; bowed | The bridge is bowed ; lowest | At their lowest |  | They go no further down: what is still too high wants the neck’s angle. ; highest | At their highest |  | They go no further up: what is still too low wants the neck’s angle.
bridge-place: moved | The bridge has moved ; feet | The feet do not fit the top ; lowest | Its wheels are at their lowest |  | They go no further down: what is still too high wants the neck’s angle. ; highest | Its wheels are at their highest |  | They go no further up: what is still too low wants the neck’s angle.
tailpiece: rattles | It rattles
vibrato-return: drifts | Does not come back to pitch
vibrato-float: tilted | Does not float level ; high | Floats too high ; low | Floats too low
vibrato-arm: loose | The arm is loose ; springs | Springs or claw
controls: crackles | Crackles ; dead | A dead spot
switch: cuts | A position cuts out ; dead | A position is dead
socket: loose | Loose ; crackles | Crackles
battery: flat | Flat ; corroded | Corroded
noise: hum | Hum ; dead | No sound
balance: uneven | One string weaker
pickup-height: out | Too near or too far ; near | Too near ; far | Too far
tuners: slips | Slips ; worn | Worn out
bushings: loose | Loose
guides: grips | Grips
buttons: loose | Loose ; stripped | The hole is stripped
guard: lifting | Lifting
fret-seat: lifts | One lifts ; several | Several lift
fret-wear: pits | Pits under the plain strings ; worn | Worn out
fret-height: low | Too low
fret-level: rocks | One rocks ; uneven | Several rock
fret-crown: flat | Flat tops
fret-ends: sharp | Sharp ends ; proud | Proud ends
tarnish: dull | Dull
board: dry | Dry ; dirty | Dirty
board-lacquer: worn | Worn through |  | Lacquer on the board is a finish repair: an estimate of its own.
board-cracks: cracked | Cracked
binding: loose | Loose
dots: missing | A dot is missing
top: bulged | Bulged ; sunken | Sunken
cracks: open | An open crack ; moves | A crack that moves
braces: loose | A loose brace
plate: worn | Worn by the ball ends ; cracked | Cracked
bridge-lift: lifting | Lifting
bridge-thick: thin | Too thin already | Read bridge thickness and slot depth.
pin-holes: worn | Worn
neck-angle: low | The plane meets the bridge too low | Read the neck angle and how far the saddle stands out. ; high | The plane passes too high | Read the neck angle and how far the saddle stands out.
heel: gap | A gap at the heel ; crack | A crack along it
pocket: moves | Moves when pushed
neck-screws: stripped | A screw does not bite
cavity: cold | A cold joint ; corroded | Corroded
shield: open | Not joined up
seams: open | An open seam
finish: damaged | Damaged |  | A finish repair is an estimate of its own.
corrosion: rust | Rust
`;

function findingOf(item: string, text: string): NamedFinding {
  const [id = '', name = '', asks = '', why = ''] = text.split('|').map((c) => c.trim());
  return {
    id,
    name,
    leadsTo: askedFor(`${item}:${id}`, OPERATIONS),
    ...(asks !== '' && { asks }),
    ...(why !== '' && { why }),
  };
}

/** The findings of each item of the lists that ship, by its key; the first is meant where none was chosen. */
export const FINDINGS: ReadonlyMap<string, readonly NamedFinding[]> = new Map(
  TABLE.trim()
    .split('\n')
    .map((line) => {
      const at = line.indexOf(':');
      const item = line.slice(0, at);
      const findings = line.slice(at + 1).split(';');
      return [item, findings.map((text) => findingOf(item, text))] as const;
    }),
);

/**
 * The operation that deals with what was found on an item: by the shop's catalogue for a finding with a name, else the one its
 * list names. Null where none does by itself.
 */
export function dealtWithBy(
  item: string,
  named: NamedFinding | null,
  ofList: OperationId | undefined,
  catalogue: readonly Operation[],
  { bridge }: Pick<Construction, 'bridge'>,
): OperationId | null {
  const by = named === null ? (ofList ?? null) : askedFor(`${item}:${named.id}`, catalogue);
  // Where each string's length is set by a screw, nothing is cut for it.
  return by === 'compensate' && bridge === 'individual' ? 'intonate' : by;
}

/** The finding that was chosen on an item, its first where none was; null where the item is not known. */
export function findingOn(item: string, id?: string): NamedFinding | null {
  const all = FINDINGS.get(item) ?? [];
  return (id === undefined ? all[0] : all.find((f) => f.id === id)) ?? null;
}
