/** A part of the guide: what it is about, and its paragraphs. */
export interface GuideSection {
  readonly id: string;
  readonly title: string;
  readonly paragraphs: readonly string[];
}

/** A word the screens use, explained once. */
export interface GuideWord {
  readonly word: string;
  readonly says: string;
}

export const GUIDE: readonly GuideSection[] = [
  {
    id: 'first-day',
    title: 'First day',
    paragraphs: [
      'A new shop begins with House → First day: eleven steps, each at its own page, that can be left and come back to. Give yourself your own name and PIN, name the currency before anything is agreed, and pair each tablet with the code that House → Tablets shows.',
      'A list of customers and instruments you have comes in under Shelf → In and out: its columns are matched by hand, rows that do not fit are said with why, and the others are taken.',
      'Everything that ships (minutes, prices, targets, checklists) is ordinary trade practice and yours to change. A version can always be taken back.',
    ],
  },
  {
    id: 'desk-day',
    title: 'A day at the desk',
    paragraphs: [
      'Find first: a name, a telephone number, a serial number or the tag’s code. Somebody known is taken in with how their instrument left last time.',
      'Write the complaint in their own words. Mark the damage that is there and have it seen; what was initialled says later what changed since. If something was misheard, Correct on Arrival puts it right, with why, until it is signed.',
      'A link sends the estimate to their phone: a yes or a no to each line. Whoever hears a yes may write it down, with how it was said.',
      'Below the columns of the day stands whom to call and why: what is ready and nobody told them, what waits for their word, a message that did not arrive. Called keeps who knows, and that nobody answered.',
      'A day on which the shop is closed is pointed out before something is promised for it. Frets that fan out are written as both scales and the straight fret: 864–813 at 7.',
      'At the end the Hand-over leaf asks only what this order makes true. They play it, sign, pay. Where nothing is set up it goes home as it is, and the sheet says so. A job can also be called off, given to another shop, or closed as never collected, without a signature.',
      'New stock belongs to the shop: its check ends in a word for the floor, it hangs on the list in Shelf, and it is sold from there.',
    ],
  },
  {
    id: 'bench-day',
    title: 'A day at the bench',
    paragraphs: [
      'Week says who does what when: each open step at its likely minutes, its rest as a thread, over the hours of the shop and its people, at benches, jigs and clamps. What you put somewhere stays there; the rest flows around it, and nothing moves that nobody touched unless it brings a date nearer. A promise whose chance falls below 80 in 100 stands at the top with what keeps it, and the planner tries what would save it before it says so.',
      'Inspection asks one item after the other, by one key an answer. What needs strings comes first: the strings come off through a gate that names what can no longer be read.',
      'Readings are typed at their places on the neck, in any unit: 5/64, .078, 8 thou, 2,1 mm. What was typed stays; a number that only makes sense in another unit is asked about. Stale readings are struck through with the reason: read them again.',
      'Plan says what would be done now, with the sum and why. The neck comes first; nothing is cut to make up for a bend. Cuts begin with a safe first cut: read again, then take the rest. A rod at its end, or one that does not answer, is never turned further.',
      'On Work each step is started, paused and finished; starting another pauses the first. Found something inside? Ask for the change there: its line waits, the rest goes on. What was done in passing goes on the order without a charge.',
      'Practice stands beside the work: a simulated instrument with something hidden, or nothing. It is read, looked at, listened to and worked on; handed back, it is opened, with what was in it beside what you read, named and did. Its code brings a colleague the very same one.',
      'Without a connection the bench goes on: what is typed and tapped waits on the tablet and is sent when the house answers.',
    ],
  },
  {
    id: 'lead-day',
    title: 'A day as lead',
    paragraphs: [
      'The rack’s right side says what wants a decision: late promises, stale readings, answers that have not come.',
      'A price, a discount, a rate of tax can be changed on any line, with its reason. Dearer than they said yes to, and the customer is asked again.',
      'Options for the customer may be written by hand beside those that were worked out, also where nothing was read.',
      'Targets, checklists, operations and how the shop plans are kept by versions in House: what changed, who, and a way back. A finished inspection keeps the version it was made with; a line of an order keeps the operation it was agreed with.',
      'A job’s history tells every change as a sentence.',
      'In Practice an instrument is set for somebody, by its kind and by what should be wrong with it; what they made of it is seen there.',
    ],
  },
  {
    id: 'owner-day',
    title: 'A day as owner',
    paragraphs: [
      'House → People: who works here, what they may do, a PIN for each. Somebody who leaves keeps their history and can no longer sign in. House → Tablets sends a lost tablet away at once.',
      'House → Opening hours says when the shop is open and on which days it is not; in People somebody may have hours of their own. The logo in House → The shop stands on every paper.',
      'House → What is kept: for how long names, photos and addresses are kept, and the whole log as a file. A customer’s own page (from Desk, from Arrival) gives out what is kept of them, or forgets them: names go everywhere, what was signed keeps its digest and says what was withdrawn.',
      'House → Messages: by which mail server and text service messages leave, in your words. Until one is named they are simulated, and say so.',
      'Invoices have running numbers and never change; a wrong one is cancelled by another. Local rules and an accountant come first.',
      'A seal tells whether anything was changed since a signature: ./rubrica verify compares every one.',
      'A forgotten owner’s PIN is given anew at the machine: ./rubrica pin "NAME".',
    ],
  },
];

export const WORDS: readonly GuideWord[] = [
  { word: 'Action', says: 'how high a string stands over a fret, usually the 12th' },
  {
    word: 'Aim, band',
    says: 'what is wanted of a reading: a low end, an aim, a high end; inside it nothing is done',
  },
  { word: 'As found, as left', says: 'readings before any work, and at the end' },
  { word: 'Course', says: 'two strings played as one, as on a 12-string: 6a toward the bass, 6b beside it' },
  { word: 'Fall-away', says: 'frets that drop a little past the body joint, so that bends ring out' },
  {
    word: 'Fan frets',
    says: 'frets that spread like a fan: a longer scale for the low strings, one fret square to the neck',
  },
  { word: 'Finding', says: 'what an item of the checklist showed, by its name' },
  {
    word: 'First cut',
    says: 'a share of what would be taken off, then it is read again: wood cannot be put back',
  },
  { word: 'Floor', says: 'where new stock hangs to be sold' },
  {
    word: 'Gap over fret 1',
    says: 'the string’s height over fret 1 while it is held further up: how deep the nut slot is',
  },
  { word: 'Intonation', says: 'how many cents a fretted note is off, most often the 12th' },
  { word: 'Leaf', says: 'a page of a job: Arrival, Inspection, Readings, Plan, Work, Hand-over' },
  {
    word: 'Not representative',
    says: 'a reading taken with a string missing or off pitch: kept, and not used',
  },
  { word: 'Relief', says: 'the bow of the neck, read between first and last fret' },
  { word: 'Round', says: 'readings that belong together: as found, after work, as left' },
  { word: 'Seal', says: 'a digest of all that was signed; any change afterwards shows' },
  {
    word: 'Simulated',
    says: 'done by a stand-in that ships with Rubrica: no device was asked, nothing left the house',
  },
  { word: 'Stale', says: 'older than work that moves it: struck through, with the reason' },
  { word: 'Touch', says: 'how hard the player plays: it moves relief and action' },
  { word: 'Watch', says: 'good enough now, with a limit at which to act' },
];

const has = (text: string, piece: string): boolean => text.toLowerCase().includes(piece);

/** What of the guide says something of a piece of text; all of it where nothing is asked. */
export function findInGuide(piece: string): {
  readonly sections: readonly GuideSection[];
  readonly words: readonly GuideWord[];
} {
  const asked = piece.trim().toLowerCase();
  if (asked === '') return { sections: GUIDE, words: WORDS };
  return {
    sections: GUIDE.flatMap((s) => {
      if (has(s.title, asked)) return [s];
      const paragraphs = s.paragraphs.filter((p) => has(p, asked));
      return paragraphs.length === 0 ? [] : [{ ...s, paragraphs }];
    }),
    words: WORDS.filter((w) => has(w.word, asked) || has(w.says, asked)),
  };
}
