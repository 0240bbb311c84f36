/** The plan's parts, as they stand on the screen for instruments of every kind. */
import { gaps, high, type Typed } from '../taken-in.ts';
import { screenHouse } from './screen-house.tsx';

const house = screenHouse('screens_plan');

test('an action too high with no saddle left ends at the neck’s angle, and says why not the saddle', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Lowsaddle', {
    readings: high('3.6', '3.0', '1.7'),
  });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Plans$/);
  const enough = hand.in('article', 'What is enough');
  await enough.sees('Reset the neck');
  await enough.tapText('Why so');
  await enough.sees(/○ out Lower the saddle/);
  await enough.sees(/would stand out|would stay out/);
  await hand.fill(await hand.labelled(/What it is worth/), '120');
  await hand.tap('button', /^Keep$/);
  await enough.misses('Reset the neck.');
});

test('a ukulele with saddles of its own for each string: set, nothing is cut', async () => {
  const { number } = await house.takeIn('ukulele', 'Fourscrew', {
    construction: { bridge: 'individual' },
    readings: [
      ['relief', 0, 7, '0.05'],
      ['action', 4, 12, '3.4'],
      ['action', 1, 12, '3.4'],
      ...gaps(4, '0.14'),
    ],
  });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Plans$/);
  const enough = hand.in('article', 'What is enough');
  await enough.sees('Set the saddles by their screws or wheels.');
  await enough.misses('off for good');
  await hand.tap('radio', 'Try it');
  await hand.one('slider', 'Its own saddle, string 4');
});

test('a bass whose last frets rise: the map shows where it buzzes, the frets are dealt with', async () => {
  const rise = Array.from({ length: 20 }, (_, i): Typed[] =>
    [3, 2, 1].map((s) => ['fret-height', s, i + 1, (1 + Math.max(0, i - 14) * 0.09).toFixed(2)] as const),
  ).flat();
  const { number } = await house.takeIn('bass', 'Skijump', {
    readings: [
      ['relief', 0, 7, '0.32'],
      ['action', 4, 12, '2.2'],
      ['action', 1, 12, '1.8'],
      ...gaps(4, '0.1'),
      ...rise,
    ],
  });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Frets$/);
  await hand.in('table', 'The ways compared').sees('Level all');
  await house.accessible();
  await hand.tap('radio', 'Try it');
  await hand.in('region', 'Try it').sees(/meets fret (1[5-9]|20)|lies on fret/);
  await hand.tap('radio', /^Plans$/);
  await hand
    .in('article', 'What is enough')
    .sees(/Level and dress the frets|Take down the high spots|Replace/);
});

test('frets that rock, without their heights, stand on the map and are taken down', async () => {
  const readings: Typed[] = [...high('2.2', '1.7', '4'), ['fret-rock', 0, 9, '0.12']];
  const { number } = await house.takeIn('steel-acoustic', 'Rocker', { readings });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Frets$/);
  await hand.one('img', /fret 9 by .005/);
  await hand.tap('radio', /^Plans$/);
  await hand.in('article', 'What is enough').sees('Take down the high spots only. Take down fret 9');
});

test('a twelve-string tuned down: pull and clearance follow', async () => {
  const readings: Typed[] = [
    ['relief', 0, 7, '0.15'],
    ['action', 12, 12, '2.0'],
    ['action', 1, 12, '1.5'],
    ['saddle-standout', 0, 0, '4'],
    ...gaps(12, '0.08'),
  ];
  const { number } = await house.takeIn('twelve-string', 'Slackdozen', { readings });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Try it$/);
  const pull = hand.in('row', /^Pull of the set/);
  await hand.one('slider', 'Saddle, bass');
  await pull.sees(/N/);
  await hand.pick(/^Tuning/, 'twelve-string, a whole tone down');
  await pull.sees('relief will be less');
  const [before = 0, after = 0] = [...pull.text().matchAll(/(\d+) N/g)].map(([, n]) => Number(n));
  // Two semitones down: the pull falls with the square of the pitch.
  expect(after / before).toBeCloseTo(2 ** (-4 / 12), 2);
  await house.accessible();
});

test('without strings nothing can be tried, and it says what comes first', async () => {
  const { number } = await house.takeIn('nylon', 'Bareneck', { stringsState: 'off' });
  const hand = await house.show('lead', `/job/${number}/plan`);
  for (const name of [/^Plans$/, /^Try it$/, /^Options$/]) {
    await hand.tap('radio', name);
    await hand.sees(/string it up/i);
  }
});

test('the shop’s own catalogue: changed, a circle refused, kept, and in force at once', async () => {
  const hand = await house.show('owner', '/house/operations');
  await hand.fill(await hand.labelled('Find an operation'), 'strap');
  await hand.tap('button', 'Fit a strap button');
  await hand.fill(await hand.labelled(/^Price/), 'abc');
  await hand.sees('An amount');
  await hand.fill(await hand.labelled(/^Price/), '21,50');
  await house.accessible();
  await hand.fill(await hand.labelled('Find an operation'), 'Engrave a name');
  await hand.tap('button', 'Add “Engrave a name”');
  await hand.fill(await hand.labelled(/^Price/), '40');
  await hand.fill(await hand.labelled('What changed, in words'), 'dearer buttons');
  await hand.tap('button', 'Keep as version 1');
  await hand.sees('version 1 of the shop');
  const { number } = await house.takeIn('bass', 'Strapless');
  const plan = await house.show('owner', `/job/${number}/plan`);
  for (const operation of ['Fit a strap button', 'Engrave a name']) {
    await plan.pick(/^Another operation/, operation);
    await plan.tap('button', 'Put it on the work order');
    await plan.breath();
  }
  const work = await house.show('owner', `/job/${number}/work`);
  await work.sees('24.50');
  await work.sees('Engrave a name');
});

/** A steel-string as it stands after a dry winter: deep, and high on the bass side. */
const DEEP: readonly Typed[] = [
  ['relief', 0, 7, '0.36'],
  ['action', 6, 12, '2.98'],
  ['action', 1, 12, '1.79'],
  ['saddle-standout', 0, 0, '4.2'],
  ...gaps(6, '0.1'),
];

/** Opens an item of the inspection and says what was found on it. */
async function found(number: number, item: RegExp, finding: RegExp): Promise<void> {
  const hand = await house.show('lead', `/job/${number}/inspection`);
  await hand.in('list', 'All items').tap('button', item);
  await hand.in('group', /^What was found/).tap('button', finding);
  await hand.until(async () =>
    /needs work/.test((await hand.in('list', 'All items').one('button', item)).textContent ?? ''),
  );
}

test('from the proposal to the order and to the customer’s options: one set of numbers', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Onenumber', { readings: DEEP });
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.item('Adjust the truss rod').sees('Tighten a quarter turn');
  const saddle =
    /Bass [^,]+ down, treble stays/.exec(hand.item('Lower the saddle').text())?.[0] ?? 'no number';
  const whole = /^Put all \d on the work order/;
  const beside = (await hand.one('button', whole)).parentElement?.textContent ?? '';
  const price = /¤[\d.]+/.exec(beside)?.[0] ?? 'no price';
  await hand.tap('radio', /^Plans$/);
  const enough = hand.in('article', 'What is enough');
  await enough.sees(saddle);
  await enough.sees(price);
  await hand.tap('radio', /^Options$/);
  await hand.in('article', 'Put right what is out').sees('The saddle is lowered');
  await hand.tap('radio', /^Proposed$/);
  await hand.tap('button', whole);
  await hand.item('Lower the saddle').sees('The lead accepted this');
  await hand.counts('button', whole, 0);
  await house.accessible();
  const work = await house.show('desk', `/job/${number}/work`);
  await work.sees(saddle);
  await work.sees('Tighten a quarter turn');
});

test('a rod at its end is never turned further: clamped, warmed or left, and it says why', async () => {
  const readings: Typed[] = [['relief', 0, 7, '0.5'], ...DEEP.slice(1)];
  const { number } = await house.takeIn('steel-acoustic', 'Lastthread', { readings });
  await found(number, /^Rod nut turns freely/, /At its end/);
  const hand = await house.show('lead', `/job/${number}/plan`);
  await hand.tap('radio', /^Plans$/);
  const enough = hand.in('article', 'What is enough');
  await enough.sees('Clamp the neck into a back-bow');
  await enough.misses('Adjust the truss rod.');
  await enough.sees('it is not turned further');
  await hand.tap('radio', /^Proposed$/);
  await hand.one('heading', 'Proposed now');
  expect(hand.many('heading', 'Adjust the truss rod')).toBe(0);
  await house.accessible();
});

test('a rod at the heel: the neck comes off, two blind turns are logged, and the reading tells what they did', async () => {
  const readings: Typed[] = [
    ['relief', 0, 7, '0.7'],
    ['action', 4, 12, '2.4'],
    ['action', 1, 12, '2.0'],
    ...gaps(4, '0.1'),
  ];
  const { number } = await house.takeIn('bass', 'Heelrod', {
    readings,
    construction: { joint: 'bolted', rodNut: 'heel' },
    work: ['rod'],
  });
  const plan = await house.show('lead', `/job/${number}/plan`);
  await plan.tap('radio', /^Plans$/);
  await plan.in('article', 'What is enough').sees(/Take the neck off and put it back.*Adjust the truss rod/);
  const path = `/job/${number}/work`;
  const before = await house.show('lead', path);
  await before.tap('button', 'Start: Adjust the truss rod');
  const turns = before.in('region', 'Turns: Adjust the truss rod');
  await turns.sees('Next: tighten a quarter turn');
  for (const n of [1, 2]) {
    await turns.tap('radio', '1/8');
    await turns.tap('button', 'Log the turn');
    await turns.counts('listitem', undefined, n);
  }
  await turns.sees('blind, not read yet');
  await turns.sees('Read the relief');
  await house.accessible();
  const sheet = await house.show('lead', `/job/${number}/readings`);
  await sheet.tap('radio', 'After: Adjust the truss rod');
  await sheet.tap('radio', /^mm$/);
  await sheet.enter(await sheet.at('[data-station="relief:0:7"]'), '0.6');
  await sheet.sees(/after “Adjust the truss rod”: it goes on moving/);
  await sheet.tap('button', /It is 0\.6, as typed/);
  await sheet.kept();
  const after = (await house.show('lead', path)).in('region', 'Turns: Adjust the truss rod');
  await after.sees('.024');
  await after.sees(/Next: tighten a quarter turn, to about \.0\d\d\. From one logged turn/);
  await after.fill(await after.labelled('Relief reads now'), '20');
  await after.tap('button', 'Log the turn');
  await after.sees(/the neck has not rested its 10 min since this one/);
  await after.tap('button', 'Log it as read at once');
  await after.sees('.020');
  await after.tap('button', 'Take it back');
  await after.counts('listitem', undefined, 2);
});

test('a finding chosen is found again in the plan, the estimate and the sheet', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Dullmetal', { readings: DEEP });
  await found(number, /^Frets bright/, /Dull/);
  await found(number, /^Original and replaced/, /replaced/);
  const plan = await house.show('lead', `/job/${number}/plan`);
  await plan.tap('radio', /^Plans$/);
  const enough = plan.in('article', 'What is enough');
  await enough.sees('Polish the frets. Inspection: Frets bright: dull');
  await enough.sees('a part was replaced: Is the old part here?');
  await plan.tap('radio', /^Proposed$/);
  await plan.tap('button', /^Put all \d on the work order/);
  await plan.item('Polish the frets').sees('The lead accepted this');
  const work = await house.show('desk', `/job/${number}/work`);
  await work.one('button', 'Yes to Polish the frets');
  const sheet = await house.show('desk', `/job/${number}/hand-over`);
  await sheet.in('article', 'The customer’s sheet').sees('The frets are dull.');
});

test('how long a hunt may take: typed while a colleague sets it and tries, both are shown and nothing is lost', async () => {
  const { number, jobId } = await house.takeIn('steel-acoustic', 'Twohunters');
  const hand = await house.show('technician', `/job/${number}/plan#noise`);
  const noise = hand.in('region', 'The noise');
  await hand.fill(await noise.labelled('At most, minutes'), '45');
  await house.give('hunt.begin', { jobId, version: 0, limit: 30, agreed: 'phone' });
  await noise.sees('About 0 of 30 min');
  await noise.says(await noise.labelled('At most, minutes'), '45');
  await noise.sees(/At most, minutes: theirs 30, yours 45/);
  // What a colleague tries meanwhile is no change of what is typed.
  await house.give('hunt.try', { jobId, version: 1, what: 'where', answer: 'open', words: '', heard: null });
  await noise.sees('About 5 of 30 min');
  await noise.tap('button', 'Mine over theirs');
  await noise.tap('button', 'Keep');
  await noise.sees('of 45 min, agreed by telephone');
  await noise.misses('A colleague changed this');
});

test('who reads millimetres reads them on every leaf, in the history and at the inspection; a colleague reads the shop’s', async () => {
  const readings: Typed[] = high('3.4', '1.7', '4').map((r) =>
    r[0] === 'relief' ? (['relief', 0, 7, '0.4'] as const) : r,
  );
  const { number } = await house.takeIn('steel-acoustic', 'Metric', { readings });
  const before = await house.show('lead', `/job/${number}/plan`);
  await before.sees('Relief .016 at the 7th');
  const sheet = await house.reload('lead', `/job/${number}/readings`);
  await sheet.tap('radio', 'mm');
  await sheet.sees('Relief 0.40 mm at the 7th');
  const plan = await house.reload('lead', `/job/${number}/plan`);
  await plan.sees('Relief 0.40 mm at the 7th');
  await plan.in('region', 'Targets').sees('Action 12, bass: 2.20 mm');
  await plan.tap('radio', /^Plans$/);
  const enough = plan.in('article', 'What is enough');
  await enough.sees(/Bass \d\.\d\d mm down/);
  await enough.misses(/\/64|[ (]\.\d/);
  await plan.tap('radio', /^Proposed$/);
  await plan.item('Adjust the truss rod').tap('button', /^Accept/);
  await plan.sees('accepted this');
  const work = await house.reload('lead', `/job/${number}/work`);
  await work.sees('Relief 0.40 mm at the 7th: bring it to');
  await work.misses('.016');
  const history = await house.reload('lead', `/job/${number}/history`);
  await history.in('row', /took on the order: Relief 0\.40 mm/).sees(/about 0\.\d\d mm expected/);
  const other = await house.reload('owner', `/job/${number}/work`);
  await other.sees('Relief .016 at the 7th: bring it to');
});
