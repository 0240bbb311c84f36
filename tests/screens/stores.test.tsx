/** The shelves: something new, the last of a kind, what a step took, a list from a file. */
import { askHouse } from './routes.ts';
import type { Hand } from './hand.ts';
import { screenHouse } from './screen-house.tsx';

const house = screenHouse('screens_stores', 'demo');

const shelf = (hand: Hand) => hand.in('region', 'From the shelf');
const itemCalled = (name: string) =>
  house.db().models.StockItem.findOne({ where: { name }, rejectOnEmpty: true });

/** Counts the sets for ukuleles so that so many nobody waits for are there. */
async function ukuleleSetsFree(free: number): Promise<void> {
  const item = await itemCalled('Ukulele, nylon');
  const hand = await house.show('lead', `/stores/${item.id}`);
  const move = hand.in('form', 'What happened to it');
  await move.tap('radio', 'Counted');
  const waiting = hand.many('button', /^Let it go/);
  await move.fill(await move.labelled('So many sets are there'), String(waiting + free));
  await move.fill(await move.labelled('Why it is another number'), 'some were sold');
  await move.tap('button', 'Write it down');
  await move.in('status').sees(`${free} free`);
}

test('something new is put on the shelves by keys, what is wrong said at its field, and counted with its reason', async () => {
  const hand = await house.show('lead', '/stores');
  await house.accessible();
  await hand.one('searchbox', 'Find');
  await hand.user.keyboard('/');
  await hand.until(() => document.activeElement === document.querySelector('input[type="search"]'));
  (await hand.one('button', 'Something new')).focus();
  await hand.user.keyboard('{Enter}');
  const form = hand.in('form', 'Something new on the shelves');
  await form.fill(await form.labelled('What it is called'), 'Baritone, bronze');
  await form.fill(await form.labelled('Strings, lowest first'), 'seventy');
  await form.enter(await form.labelled('At least so many sets'), '2');
  await form.sees('is no string’s gauge');
  await form.fill(await form.labelled('Strings, lowest first'), '.070 .056 .045 .035 .026 .016p');
  await form.fill(await form.labelled('Code, as a scanner reads it'), '990077');
  await house.accessible();
  (await form.one('button', 'Keep it')).focus();
  await hand.user.keyboard('{Enter}');
  await hand.one('heading', 'Baritone, bronze');
  await hand.sees('70w 56w 45w 35w 26w 16p');
  const move = hand.in('form', 'What happened to it');
  await move.tap('radio', 'Counted');
  await move.enter(await move.labelled('So many sets are there'), '3');
  await move.sees('Why is it another number?');
  await move.fill(await move.labelled('Why it is another number'), 'they were under the counter');
  await move.tap('button', 'Write it down');
  await move.in('status').sees('Written down: 3 there, 3 free.');
  await hand.one('row', /they were under the counter/);
  await house.accessible();
});

test('what is short stands on a list for each supplier, with how many to order, and leaves as CSV', async () => {
  const stores = await house.show('lead', '/stores');
  const short = await stores.one('link', 'What is short');
  const hand = await house.show('lead', short.getAttribute('href') ?? '');
  const strings = hand.in('region', 'Harrow Lane Strings');
  await strings.in('row', /Bass, five strings/).sees('10 sets');
  await house.accessible();
  const link = await strings.one('link', 'As CSV: Harrow Lane Strings');
  const text = await (await askHouse(link.getAttribute('href') ?? '')).text();
  expect(text.replace(/^\uFEFF/, '').split('\r\n')[0]).toBe('code,name,facts,how many,unit,cost of one');
  expect(text).toContain('"Bass, five strings"');
});

test('the last set is set aside by the customer’s yes; who comes second sees it at once and cannot take it', async () => {
  await ukuleleSetsFree(1);
  const first = await house.takeIn('ukulele', 'First', { work: ['restring'] });
  const second = await house.takeIn('ukulele', 'Second', { work: ['restring'] });
  const lead = await house.show('lead', `/job/${first.number}/work`);
  await shelf(lead).sees('1 set waits for this job, 0 free');
  await house.accessible();
  const other = await house.show('technician', `/job/${second.number}/work`);
  await shelf(other).sees('◆ none there');
  await shelf(other).sees('The job waits for 1 set: ◆ on no order that went out');
  expect(shelf(other).many('button', /^Used/)).toBe(0);
  // Let go by the one, it is the other's, who has waited for it and sees it without reloading.
  const { id: itemId } = await itemCalled('Ukulele, nylon');
  const released = { itemId, kind: 'released', quantity: 1, lineId: null, reason: '' } as const;
  await house.give('stores.move', { ...released, jobId: first.jobId });
  await shelf(other).sees('1 set waits for this job, 0 free');
  await shelf(other).tap('button', 'Used 1 set: Ukulele, nylon');
  await shelf(other).in('list', 'Used for this job').sees('1 set of Ukulele');
  const history = await house.show('technician', `/job/${second.number}/history`);
  await history.sees('used 1 set of Ukulele, nylon');
  const again = await house.show('lead', `/job/${first.number}/work`);
  await shelf(again).sees('◆ none there');
});

test('what was set aside is let go by a tap', async () => {
  await ukuleleSetsFree(1);
  const { number } = await house.takeIn('ukulele', 'Let go', { work: ['restring'] });
  const hand = await house.show('lead', `/job/${number}/work`);
  await shelf(hand).tap('button', 'Let it go: Ukulele, nylon');
  await shelf(hand).misses('1 set waits for this job');
});

test('a finished step is asked what it took, with what it usually takes; a tap changes it', async () => {
  const { number } = await house.takeIn('solid-electric', 'Took its set', { work: ['restring'] });
  const hand = await house.show('technician', `/job/${number}/work`);
  await hand.tap('button', /^Start: /);
  await hand.tap('button', /^Finish: /);
  await hand.tap('button', 'They are on, at pitch');
  const asked = hand.in('region', /^What .* took$/);
  await asked.one('button', /^More of/);
  await house.accessible();
  await asked.tap('button', /^More of/);
  await asked.sees('2 sets');
  await asked.tap('button', /^Less of/);
  await asked.tap('button', 'Write it down');
  await hand.counts('region', /^What .* took$/, 0);
  await shelf(hand).in('list', 'Used for this job').sees('1 set of');
});

test('things from a list: columns matched by what they are called, rows that do not fit said, the rest on the shelves', async () => {
  const hand = await house.show('lead', '/stores');
  await hand.tap('button', 'From a list');
  const list = hand.in('region', 'From a list');
  const rows = [
    'article;type;gauges;shelf;qty;sku',
    'Dulcimer set;Set of strings;22w 14p 12p 12p;drawer 9;4;880011',
    'Dulcimer set, heavy;Set of strings;very heavy;drawer 9;1;880012',
    'Feather washers;;;tray 9;30;',
  ].join('\r\n');
  await list.upload('A list as CSV', 'shelf.csv', rows);
  await list.sees('2 of 3 rows fit.');
  await list.sees(/line 3: strings, lowest first/);
  await house.accessible();
  await list.tap('button', 'Put them on the shelves');
  await list.in('status').sees('2 things are on the shelves now.');
  await hand.one('link', 'Dulcimer set');
  for (const path of ['/stores/figures', '/stores/orders']) {
    await (await house.show('lead', path)).one('heading');
    await house.accessible();
  }
});
