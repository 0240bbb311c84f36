import { checklistFrom } from './checklist-table.ts';

/**
 * The list for new stock on its way to the sales floor. It ends in one of two words.
 * Columns as in the bench's list.
 */
export const SALES_FLOOR = checklistFrom({
  id: 'sales-floor',
  name: 'New stock for the floor',
  version: 3,
  ends: ['ready for the floor', 'to the bench'],
  table: `
# Out of the box, strings-on
carton | Carton and case | Crushed, wet, opened before? Photograph it before unpacking. | | | | whole
climate | Left to warm up in its case | A cold instrument sweats: some hours closed, then opened.
serial | Serial number against the papers | The same on the label, the papers and the delivery note. | | | | all three agree
papers | Papers, key and levers | Everything the maker lists is in the case.
film | Protective film stays on | On the guard and plates until it is sold.
marks | Marks from the factory or the road | Front, back, sides, headstock, in the light. | | | | none
smell | Fresh finish | Sticky, smelling: hang it with air around, no stand with rubber. | | | | hard and dry
rattle | Shake and listen | Loose screw, wire or a brace. | | | tighten | silent
# Under tension, strings-on
strings | Strings fresh and the right set | The gauges the model is sold with; no rust. | | | string-up
tune | Tuned and stretched | Two rounds to standard pitch. | | | | holds
octaves | Courses evenly paired | Octaves where they belong. | twelve
open-buzz | Open strings ring clear | A firm pluck on each.
fretted-buzz | Every string at every fret | Play all of them once. | | | fret-dress | every note clear
bends | A bend above the 12th | On the three high strings. | steel-strung
sight | Neck sighted | Straight, no twist, no rise at the end.
relief | Relief | First and last fret pressed. | | relief | | in its band
rod | Rod nut moves | A touch either way and back. | rod | | | moves without force
action | Action at the 12th, outer strings | The shop’s floor setting suits most hands. | | action | | in its band
nut-gap | Gap over fret 1 | New nuts are often left high. | | nut-gap | | in its band
nut-edges | Nut ends smooth | Nothing that scratches the hand. | | | nut-slots
grip | Strings slide in the nut | No ping while tuning. | | | nut-slots
intonation | Intonation at the 12th | Against the open string. | | intonation | | within three cents
break | Break angle behind the saddle | Enough to hold the string. | behind-saddle
saddle-seat | Saddle upright, full length in its slot | Not leaning, not shimmed. | one-saddle
saddle-screws | Saddle screws even and tight | None buzzes, none pricks the hand. | individual
pins | Bridge pins at one height | Ball ends against the plate. | pinned
ties | Ties trimmed | No end that touches the top. | tie-block
bridge-place | Bridge set on its marks | Set for intonation, held by the strings alone. | floating-bridge
vibrato | Vibrato returns and floats as set | Arm in the case or on. | vibrato | | | | Springs under pull: eyes.
# Electronics and hardware, strings-on
controls | Controls and switch | Each through its travel, each position. | wired | | clean-controls | quiet
socket | Output socket | Plug in, wiggle. | wired | | tighten
battery | Battery in, date written | A fresh one, its door closes. | battery | | battery | | Cells leak: take it out for long storage; dispose as the law asks.
balance | Even output | String to string. | wired
hum | Quiet with hands on the strings | Grounded bridge. | magnets-wired
tuners | Tuners smooth, screws tight | Bushings seated. | | | tighten
buttons | Strap buttons hold | Screw tight, felt there. | strapped | | tighten
guard | Guard flat | Edges down under the film.
# Frets and board, strings-on
fret-ends | Fret ends | Run the hand along both edges. | | | fret-ends | smooth
fret-level | No fret that rocks | Rocker along the middle and both sides. | | | fret-dress
fret-polish | Frets smooth | A bend does not grate. | | | fret-dress
board | Board not dry | Raw wood: a little oil, the rest wiped off. | raw-board | | board-clean
board-finish | Finish on the board whole | No runs at the fret ends. | lacquered-board
dots | Dots and inlays | Flush, none missing.
# Body, strings-on
top | Top and bridge | Flat as it should be, bridge down all round. | glued-on-top | | bridge-reglue
inside | Inside clean | Glue runs, chips, a loose brace, by mirror. | acoustic
pocket | Neck pocket | Tight, straight, screws home. | bolted | | tighten
neck-angle | Neck angle | Straightedge on the frets against the bridge’s top. | acoustic
clean | Wiped, no prints | Dry cloth; nothing with silicone.
tag | Price, tag and stand | Tag on the tuner, not on the finish; a stand that suits it. | | | | hangs where it belongs
`,
});
