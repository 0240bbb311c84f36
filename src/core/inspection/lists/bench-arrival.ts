import { checklistFrom } from './checklist-table.ts';

/**
 * The bench's list for an instrument that comes in, ordered by hands, everything that needs strings first.
 * Columns: key | what is looked at | how | when | reading | leads to | counts as fine | caution
 */
export const BENCH_ARRIVAL = checklistFrom({
  id: 'bench-arrival',
  name: 'Bench arrival',
  version: 6,
  ends: [],
  table: `
# First look, strings-on
case | Case and what is in it | Latches, lining, smell of damp or glue. Count what came with it. | | | | closes, dry, all there
serial | Serial number and marks | Read it where it stands. A date found inside later is added, with its place.
damage | Damage already there | Turn it in the light: front, back, sides, headstock. Show the customer. | | | | nothing new to the customer
originals | Original and replaced parts | What has been changed, and is the old part here?
dry | Signs of dry or damp air | Sunken or swollen top, sharp fret ends, a lifted bridge. Note the room’s humidity.
rattle | Shake and listen | Loose brace, screw, wire or a pick inside. | | | tighten | silent
# Under tension, strings-on
strings | Which strings are on | Gauge by caliper, old or new, all of one set? | | | string-up
tune | Tuned, stretched, tuned again | Two or three rounds, in the tuning the customer uses. | | | | holds after the third round
octaves | Courses evenly paired | Octaves and unisons where they belong; pairs at one height. | twelve
open-buzz | Open strings ring clear | Pluck each open string as hard as the customer does.
fretted-buzz | Every string at every fret | Listen for buzz, choke and dead notes. Note the place. | | | fret-dress | every note clear
bends | Bends around and above the 12th | A note that chokes in a bend: high fret, hump or fall-away; a round board chokes sooner. | steel-strung | radius
resonance | One pitch that rattles anywhere | Not a fret then: touch parts one by one until it stops.
sight | Neck sighted along both edges | From the headstock: straight, dip, hump, waves. | | | | one even, slight curve
twist | Twist | Bass and treble edge seen together: does one dip where the other rises?
far-end | Rise at the far end | The board lifting over the body joint. | | fall-away
relief | Relief | First and last fret pressed, read in the middle. | | relief | | in its band
rod | Rod nut turns freely | Ease it loose first, then back. Which way, how far. | rod | | | moves both ways without force
rod-reach | Rod nut can be reached | The right key goes all the way in; at the heel the neck comes loose first. | rod
action | Action at the 12th, outer strings | In playing position, all strings at pitch. | | action | | in its band
last-fret | Action at the last fret | Against the 12th it tells a rise or a fall at the end. | | action
saddle-left | Saddle left to take | Over the bridge, in the middle and at both ends. | one-saddle | saddle-standout | | enough for the change wanted
nut-gap | Gap over fret 1, each string | Held at 3, by feeler. | | nut-gap | | in its band
grip | Strings slide in the nut | A ping or a jump while tuning: the slot grips. | | | nut-slots
nut-spacing | Spacing at the nut | Outer strings from the edges, gaps even. | | nut-spacing | nut-new
nut-cracks | Nut whole and seated | Cracks, filler, a gap under it. | | | nut-new
intonation | Intonation at the 12th, each string | In the tuning the customer uses, against the open string. | | intonation | | within two cents
low-frets | Intonation at frets 1 to 5 | Sharp there and right at 12: the nut, not the saddle.
contact | Where each string leaves the saddle | Front edge, middle or back? The old saddle may have its own fault. | | contact
saddle-seat | Saddle upright in its slot | Leaning, loose, shimmed, cracked. | one-saddle | saddle-thickness
break | Break angle behind the saddle | Enough to hold the string in place. | behind-saddle | break-angle
wrap | Wrapped ends clear of the saddle | The thick end of a string does not climb onto it. | pinned
pins | Bridge pins seat all the way | All at one height, none creeping up; ball ends against the plate. | pinned
ties | Ties tidy at the block | No string end touching the top; loops not on the saddle. | tie-block
saddle-screws | Saddle screws turn and hold | Each height and length screw; none at its end, none that pricks the hand. | individual
thumbwheels | Thumbwheels turn, posts upright | Both ends; the bridge not bowed in the middle. | thumbwheel
bridge-place | Bridge where it belongs, feet down | Marked places, full contact with the top. | floating-bridge
tailpiece | Tailpiece and its hanger | Straight, quiet, its cord or bracket whole. | floating-bridge
vibrato-return | Vibrato comes back to pitch | Down and up, then check the tuning. | vibrato
vibrato-float | Vibrato floats level | Plate parallel to the body at pitch; springs quiet. | floating-vibrato | vibrato-float | | level | Springs and strings under pull: eyes.
vibrato-arm | Arm, springs and claw | Arm tight enough, count of springs, claw screws hold. | vibrato | | | | Springs under pull: eyes.
# Electronics, strings-on
controls | Every control through its travel | Crackle, dead spots, loose knobs. | wired | | clean-controls | quiet from end to end
switch | Every switch position | Each position sounds, none cuts out. | magnets-wired | | clean-controls
socket | Output socket tight | Wiggle the plug: no crackle, nut tight. | wired | | tighten
battery | Battery fresh, contacts clean | Press the contacts, look for white crust. | battery | | battery | fresh this year | Corroded cells leak acid: gloves, do not touch the eyes; dispose as the law asks.
noise | Hum and noise | Hands on and off the strings: does it change? | wired | resistance | | | Mains-powered gear is for a licensed person.
balance | Even output, string to string | Under the saddle each string as loud as its neighbour. | under-saddle
pickup-height | Pickup heights, last fret held | Even output; no pull on the low strings. | pickups-to-set | pickup-height
# Hardware, strings-on
tuners | Tuners turn smoothly | No play, no slip, no dead turn. | | | tighten
bushings | Bushings and tuner screws | Seated, none cracked into the wood. | | | tighten
guides | String guides | Low enough to hold, smooth under the string. | magnetic
buttons | Strap buttons and plates | Screws hold; none stripped. | strapped | | tighten
guard | Pickguard and its edge | Lifting, shrinking, pulling a crack.
# Frets and board, strings-off
fret-seat | Frets seated | A feeler under an end means it is not seated: seat it before any filing. | | | fret-ends
fret-wear | Fret wear | Pits under the plain strings at the first frets. | | | fret-dress
fret-height | Fret height left | At frets 1, 5 and 12, three places across. | | fret-height
fret-level | Frets level | Rocker over three at a time; thin feeler under a straightedge in thirds. | | | fret-dress | nothing rocks
fret-crown | Crowns round | Flat tops choke and play sharp. | | | fret-dress
fret-ends | Fret ends | Sharp or proud ends: the board has dried. | | | fret-ends
tarnish | Frets bright | Green or dull: polish, with the board masked when its finish is thin. | | | fret-dress
board | Fingerboard dry or dirty | Raw wood may be oiled; test on a hidden place. | raw-board | | board-clean
board-lacquer | Lacquer on the board | Worn through, lifting, sticky. No oil on lacquer. | lacquered-board
board-cracks | Cracks and old fills in the board | At the nut, at the ends, along the slots.
binding | Binding and inlays | Loose, lifting, missing, shrunken at the waist.
dots | Side dots | All there, seen in playing position.
# Body, strings-off
top | Top bulged or sunken | Straightedge across, before and behind the bridge. | acoustic | height-over-top
cracks | Cracks in top, back and sides | Lamp along the grain, press lightly: does it move? | hollow
braces | Braces, through the soundhole | Mirror and light; tap and listen for a loose end. | acoustic
plate | Plate under the bridge | Worn by ball ends, cracked between the holes? | pinned
bridge-lift | Bridge down all round | Slide paper under its edge. | glued-on-top | | bridge-reglue | no paper goes in
bridge-thick | Bridge thickness and slot depth | What stands under the slot decides what may be shaved. | one-saddle | bridge-thickness
pin-holes | Pin holes and taper | Round, clean; try a pin in a reamed hole of each taper. | pinned | pin-taper
neck-angle | Neck angle | A straightedge on the frets meets the bridge where? | acoustic | neck-angle
heel | Heel and neck joint | A gap at the heel, a crack along it, movement under a light push. | glued
pocket | Neck pocket tight | Shims, movement when pushed sideways. | bolted | | tighten
neck-screws | Neck screws and their holes | All bite, none stripped, the wood not cracked. | bolted | | tighten
cavity | Wiring and earlier work | Cold joints, corrosion, parts replaced. | magnets-wired | | | | Old solder holds lead: wash the hands. Mains-powered gear is for a licensed person.
shield | Shielding joined up | Paint or foil reaches the ground, nothing touches the hot lug. | magnets-wired
seams | Seams and linings | Along the edge all round; press and listen. | hollow
finish | Finish: which, and its state | Crazing, wear, dings. It decides what may touch it. | | | | | Test solvents on a hidden place; ventilate; follow the safety sheet.
corrosion | Metal parts | Rust, pitting, loose plating.
`,
});
