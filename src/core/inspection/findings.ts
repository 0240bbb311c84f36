import type { OperationId } from '../plan/operation-ids.ts';

/** What “needs work” on an item of the list means: a name to choose, and what it leads to. */
export interface NamedFinding {
  readonly id: string;
  readonly name: string;
  /** the operation that deals with it; null where none does by itself */
  readonly leadsTo: OperationId | null;
  /** what must be asked or read before it can be dealt with */
  readonly asks?: string;
  /** why it is not dealt with in a setup */
  readonly why?: string;
}

const TABLE = `
case: damaged | Case damaged | | | The case is the customer’s to replace: say so at hand-over.
serial: unreadable | Number cannot be read | | Is there a date or a label inside? |
damage: new | Damage nobody knew of | | Has the customer seen it? |
originals: replaced | A part was replaced | | Is the old part here? |
dry: dry | Too dry | humidify | | ; damp | Too damp | humidify | |
rattle: loose | Something loose inside | tighten | |
strings: old | Old or mixed strings | restring | | ; unknown | Set not known | | Which set is on it? |
tune: drifts | Does not hold its tuning | tune-stretch | | ; slips | A tuner slips | tuners | |
octaves: mixed | Courses not paired as they should be | restring | |
open-buzz: buzzes | An open string buzzes | buzz-hunt | |
fretted-buzz: buzzes | A fretted note buzzes | buzz-hunt | | ; chokes | A note chokes | buzz-hunt | | ; dead | A dead note | buzz-hunt | |
bends: chokes | A bend chokes | buzz-hunt | |
resonance: rattles | One pitch rattles | buzz-hunt | |
sight: dip | A dip | | Read the relief: what the eye sees as a dip is a number. | ; hump | A hump | fret-dress | | ; back | A back-bow | | Read the relief: a back-bow is loosened first. | ; waves | Waves | board-plane | |
twist: twisted | A twist | neck-heat | |
far-end: rise | The far end rises | fall-away | | ; lifted | It rises more than the frets can give | neck-heat | |
relief: out | Relief out of its band | | Read the relief. |
rod: stuck | Stuck | | | The rod nut is stuck: it is not forced. ; at-its-end | At its end | | | The rod is at its end: it is not turned further. ; loose | Turns without bearing | rod | | ; unreachable | Cannot be reached | | | The rod nut cannot be reached with the neck on.
rod-reach: unreachable | Cannot be reached | | | The rod nut cannot be reached with the neck on. ; rounded | Nut rounded | second-look | |
action: out | Action out of its band | | Read the action at both sides. |
last-fret: rise | Higher than the 12th tells | fall-away | |
saddle-left: little | Too little saddle left | | Read how far the saddle stands out. |
nut-gap: out | Gap out of its band | | Read the gap over fret 1 at each string. |
grip: grips | A slot grips | nut-slots | |
nut-spacing: uneven | Spacing uneven | nut-new | |
nut-cracks: cracked | Cracked | nut-new | | ; loose | Loose | nut-shim | |
intonation: out | Notes out at the 12th | | Read the intonation at each string once the height is set. |
low-frets: sharp | Sharp at the low frets | nut-compensate | |
contact: front | Leaves at the front edge | compensate | | ; back | Leaves at the back edge | compensate | |
saddle-seat: leans | Leans in its slot | saddle-new | | ; loose | Loose in its slot | saddle-new | | ; cracked | Cracked | saddle-new | |
break: shallow | Too shallow | | Read the break angle. |
wrap: climbs | A wrapped end climbs onto the saddle | bridge-plate | |
pins: proud | A pin stands proud | pins | | ; loose | A pin is loose | pins | |
ties: untidy | A tie touches the top | restring | |
saddle-screws: seized | A screw is seized | tighten | | ; prick | A screw pricks the hand | tighten | |
thumbwheels: seized | A thumbwheel does not turn | tighten | | ; bowed | The bridge is bowed | bridge-new | |
bridge-place: moved | The bridge has moved | tighten | | ; feet | The feet do not fit the top | bridge-new | |
tailpiece: rattles | It rattles | tighten | |
vibrato-return: drifts | Does not come back to pitch | vibrato | |
vibrato-float: tilted | Does not float level | vibrato | | ; high | Floats too high | vibrato | | ; low | Floats too low | vibrato | |
vibrato-arm: loose | The arm is loose | vibrato | | ; springs | Springs or claw | vibrato | |
controls: crackles | Crackles | clean-controls | | ; dead | A dead spot | wiring | |
switch: cuts | A position cuts out | clean-controls | | ; dead | A position is dead | switch-new | |
socket: loose | Loose | socket | | ; crackles | Crackles | socket | |
battery: flat | Flat | battery | | ; corroded | Corroded | battery | |
noise: hum | Hum | shield | | ; dead | No sound | wiring | |
balance: uneven | One string weaker | second-look | |
pickup-height: out | Too near or too far | pickup-height | | ; near | Too near | pickup-height | | ; far | Too far | pickup-height | |
tuners: slips | Slips | tuners | | ; worn | Worn out | tuners-new | |
bushings: loose | Loose | tuners | |
guides: grips | Grips | tighten | |
buttons: loose | Loose | tighten | | ; stripped | The hole is stripped | screw-hole | |
guard: lifting | Lifting | tighten | |
fret-seat: lifts | One lifts | fret-seat | | ; several | Several lift | fret-seat | |
fret-wear: pits | Pits under the plain strings | fret-dress | | ; worn | Worn out | refret | |
fret-height: low | Too low | refret | |
fret-level: rocks | One rocks | fret-spot | | ; uneven | Several rock | fret-dress | |
fret-crown: flat | Flat tops | fret-dress | |
fret-ends: sharp | Sharp ends | fret-ends | | ; proud | Proud ends | fret-ends | |
tarnish: dull | Dull | fret-polish | |
board: dry | Dry | board-clean | | ; dirty | Dirty | board-clean | |
board-lacquer: worn | Worn through | | | Lacquer on the board is a finish repair: an estimate of its own.
board-cracks: cracked | Cracked | crack-glue | |
binding: loose | Loose | binding-glue | |
dots: missing | A dot is missing | second-look | |
top: bulged | Bulged | look-inside | | ; sunken | Sunken | look-inside | |
cracks: open | An open crack | crack-glue | | ; moves | A crack that moves | crack-glue | |
braces: loose | A loose brace | brace-glue | |
plate: worn | Worn by the ball ends | bridge-plate | | ; cracked | Cracked | bridge-plate | |
bridge-lift: lifting | Lifting | bridge-reglue | |
bridge-thick: thin | Too thin already | | Read bridge thickness and slot depth. |
pin-holes: worn | Worn | pins | |
neck-angle: low | The plane meets the bridge too low | | Read the neck angle and how far the saddle stands out. | ; high | The plane passes too high | | Read the neck angle and how far the saddle stands out. |
heel: gap | A gap at the heel | second-look | | ; crack | A crack along it | second-look | |
pocket: moves | Moves when pushed | tighten | |
neck-screws: stripped | A screw does not bite | screw-hole | |
cavity: cold | A cold joint | wiring | | ; corroded | Corroded | wiring | |
shield: open | Not joined up | shield | |
seams: open | An open seam | crack-glue | |
finish: damaged | Damaged | | | A finish repair is an estimate of its own.
corrosion: rust | Rust | tighten | |
`;

function findingOf(text: string): NamedFinding {
  const [id = '', name = '', leadsTo = '', asks = '', why = ''] = text.split('|').map((c) => c.trim());
  return {
    id,
    name,
    leadsTo: leadsTo === '' ? null : (leadsTo as OperationId),
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
      return [
        line.slice(0, at),
        line
          .slice(at + 1)
          .split(';')
          .map(findingOf),
      ] as const;
    }),
);

/** The finding that was chosen on an item, its first where none was; null where the item is not known. */
export function findingOn(item: string, id?: string): NamedFinding | null {
  const all = FINDINGS.get(item) ?? [];
  return (id === undefined ? all[0] : all.find((f) => f.id === id)) ?? null;
}
