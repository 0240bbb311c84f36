import { TOUCHES } from '../targets/target.ts';
import type { Fault } from './faults/fault.ts';
import type { PracticeInstrument } from './instrument.ts';
import type { QuestionId } from './questions.ts';

type Answers = Readonly<Partial<Record<QuestionId, string>>>;

/**
 * What an owner knows of each fault: what they feel and what happened to it, never what it is. What is not said here they
 * have noticed nothing of.
 */
const KNOWS: Readonly<Record<string, Answers>> = {
  'relief-high': {
    where: 'In the middle, from the fourth to the ninth fret. The first ones are fine.',
    since: 'It came by and by, since the summer.',
  },
  'back-bow': {
    where: 'On the first few frets, on all strings.',
    since: 'Right after a friend had a go at the rod.',
    worked: 'A friend turned the rod, quite a bit.',
  },
  'rod-end': {
    where: 'In the middle of the neck it is far too high.',
    worked: 'They tighten the rod every year. The last one said it would not go any further.',
  },
  'rod-stuck': {
    where: 'In the middle of the neck.',
    worked: 'Nobody ever has. I tried the rod once: it would not move, so I left it.',
  },
  'neck-low': {
    where: 'From the fifth fret up. It has got worse every year.',
    since: 'For years, slowly.',
  },
  pocket: {
    where: 'Everywhere a little, and it goes out of tune when I push the neck.',
    since: 'Since it fell over in its bag.',
  },
  'high-fret': { where: 'At one place, on every string, just there.', since: 'Since I bought it.' },
  'lifted-fret': {
    where: 'At one place. My sleeve catches there, too.',
    since: 'Since the heating is on.',
    lives: 'On the wall, over the radiator.',
  },
  'worn-frets': { where: 'On the first frets only.', since: 'I have played it for twenty years.' },
  'uneven-frets': { where: 'All over the neck, here and there.', since: 'It always did, a bit.' },
  'far-end': { where: 'High up only, and when I bend there.' },
  'fret-ends': { where: 'At the edges, along the whole neck.', lives: 'In a dry room, in winter.' },
  'nut-high': {
    where: 'At the first three frets. Further up it plays well.',
    since: 'Since I bought it new.',
  },
  'slot-low': { where: 'Only when I play it open.', worked: 'I filed the nut a little myself.' },
  'slot-high': { where: 'One string, at the first frets.', worked: 'It got a new nut once.' },
  'slot-grips': { where: 'Only when I tune it.', since: 'Since the thicker strings are on.' },
  'nut-cracked': { where: 'One string slides about.', since: 'It got a knock at the top.' },
  'saddle-high': { where: 'Everywhere, the higher up the worse.', worked: 'Somebody put a new saddle in.' },
  'saddle-low': { where: 'Everywhere, when I play hard.', worked: 'I asked for it as low as it goes, once.' },
  'saddle-treble': { where: 'On the thin strings.', worked: 'The saddle was changed, I think.' },
  'contact-front': { where: 'One string, high up. The tuner says so, too.' },
  'bridge-lifting': {
    where: 'It is high everywhere, all at once.',
    since: 'Since it lay in the car in July.',
    lives: 'It lay in the car for an afternoon.',
  },
  'plate-worn': { where: 'The two thick strings, high up.', strings: 'I change them often, and it stays.' },
  'pins-proud': { where: 'Back at the bridge: a pin comes up.' },
  'old-strings': {
    where: 'It is off everywhere, never the same way.',
    strings: 'The ones that came with it. Two years?',
  },
  'heavy-set': {
    where: 'It is stiff, and high in the middle.',
    since: 'Since the new strings.',
    strings: 'A friend put them on last week. I did not ask which.',
  },
  'tuner-slips': { where: 'One string goes flat all the time.' },
  crackle: { where: 'When I turn it up.' },
  socket: { where: 'At the plug.' },
  'cold-joint': { where: 'It cuts out when I tap on it, wherever the controls stand.' },
  battery: { where: 'Only over the amp.', since: 'It got thinner by and by.' },
  'dead-coil': { where: 'In one position of the switch.' },
  'pickup-near': {
    where: 'The low strings, high up: it warbles.',
    worked: 'I turned the pickup up for more output.',
  },
  'shield-open': { where: 'It hums when I let go of the strings.' },
  bushing: { where: 'On one note, wherever I play it.' },
  button: { where: 'On one note, wherever I play it.' },
  brace: { where: 'On one note. It seems to come from the inside.', since: 'It fell over once.' },
  crack: { where: 'On one note.', since: 'Since it got a knock.' },
  dry: {
    where: 'It rattles all over, and the edges scratch.',
    since: 'Since the heating is on.',
    lives: 'On a stand by the stove.',
  },
};

const NOTHING: Readonly<Record<Exclude<QuestionId, 'plays'>, string>> = {
  where: 'Nowhere in particular.',
  since: 'I could not say.',
  worked: 'Not that I know.',
  lives: 'In its case, in the living room.',
  strings: 'The usual ones, some weeks old.',
};

/** What an owner answers: what they have noticed of each fault, one after the other; how they play is how they play. */
export function answerOf(p: Pick<PracticeInstrument, 'faults' | 'inside'>, question: QuestionId): string {
  if (question === 'plays')
    return `I am told I have a ${TOUCHES[p.inside.touch].replace('plays hard', 'heavy hand')}.`;
  const said = p.faults.flatMap((f) => KNOWS[f.id]?.[question] ?? []);
  return said.length === 0 ? NOTHING[question] : [...new Set(said)].join(' And: ');
}

/** Whether an owner has something to say of a fault. */
export const isNoticed = (fault: Pick<Fault, 'id'>): boolean => KNOWS[fault.id]?.where !== undefined;
