/** What the bench types: readings as they are meant, cuts and clocks, the strings' gate. */
import { createEvent, fireEvent } from '@testing-library/dom';
import { BENCH_ARRIVAL } from '../../src/core/inspection/lists/bench-arrival.ts';
import { askHouse, holdCommands } from './routes.ts';
import { screenHouse } from './screen-house.tsx';

const house = screenHouse('screens_bench');

const station = (key: string) => `[id="station-${key}"]`;
const sheet = async (kind: Parameters<typeof house.takeIn>[0], maker: string) => {
  const { number, jobId } = await house.takeIn(kind, maker);
  const path = `/job/${number}/readings`;
  return { number, jobId, path, hand: await house.show('lead', path) };
};

test('a six-string in 64ths by keyboard, in less than forty key actions more than the digits', async () => {
  const { path, hand } = await sheet('steel-acoustic', 'Sixer');
  (await hand.at(station('relief:0:7'))).focus();
  let actions = 1;
  const set = ['8', '6', '5', '4', '4', '4', '4', '4', '3', '3.5', '1', '2', '1', '0', '1', '0'];
  for (const text of set) {
    actions += text.replace(/\d/g, '').length + 1;
    await hand.user.keyboard(`${text}{Enter}`);
  }
  expect(actions).toBeLessThan(40);
  await hand.says(station('action:6:12'), '6/64');
  await hand.says(station('relief:0:7'), '.008');
  await hand.kept();
  const again = await house.reload('lead', path);
  await again.says(station('intonation:1:12'), '0 c');
  await again.says(station('saddle-standout:0:0'), '3.50 mm');
  await house.accessible();
});

test('text that is no length is said at its field and kept', async () => {
  const { path, hand } = await sheet('archtop', 'Nolength');
  const relief = station('relief:0:7');
  await hand.enter(await hand.at(relief), 'about five');
  await hand.sees('“about five” is not a length');
  expect(document.activeElement).toBe(await hand.at(relief));
  await hand.says(relief, 'about five');
  const again = await house.reload('lead', path);
  await again.says(relief, 'about five');
  await again.enter(await again.at(relief), '.003');
  await again.until(() => document.activeElement?.id === 'station-action:6:12');
});

test('inches in a millimetre field are asked about, never blocked', async () => {
  const { path, hand } = await sheet('archtop', 'Inches');
  await hand.tap('radio', /^mm$/);
  const [action, treble] = [station('action:6:12'), station('action:1:12')];
  await hand.enter(await hand.at(action), '.094');
  await hand.sees('What did the gauge say?');
  await hand.tap('button', '.094 in = 2.39 mm');
  await hand.says(action, '.094 in');
  await hand.enter(await hand.at(treble), '.095');
  await hand.tap('button', 'It is .095, as typed');
  await hand.kept();
  const again = await house.reload('lead', path);
  // The unit is remembered; what was typed keeps its own in a field of another.
  await again.chosen('radio', /^mm$/);
  const typed = async (at: string, text: string) => {
    await again.user.click(await again.at(at));
    await again.says(at, text);
  };
  await typed(treble, '.095');
  await again.tap('radio', /^64ths$/);
  await typed(treble, '.095 mm');
  await typed(action, '.094 in');
});

test('a reading with a string missing is kept and not used', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Onestringless', { stringsState: 'off' });
  const hand = await house.show('lead', `/job/${number}/readings`);
  await hand.enter(await hand.at(station('relief:0:7')), '.030');
  await hand.sees(/not used: taken with/);
  const plan = await house.show('lead', `/job/${number}/plan`);
  await plan.one('heading', /String it up first/);
  await plan.misses(/Tighten the rod/);
});

test('swapped sides and a range; the other parts of the sheet; a column pasted; the table', async () => {
  const { number, hand } = await sheet('steel-acoustic', 'Parts');
  await hand.tap('radio', /^64ths$/);
  await hand.enter(await hand.at(station('action:6:12')), 'between 4 and 5');
  await hand.says(station('action:6:12'), '4½/64');
  await hand.enter(await hand.at(station('action:1:12')), '7');
  await hand.sees('Were the two sides swapped?');
  await hand.tap('button', 'It is 7, as typed');
  await hand.user.click(await hand.one('heading', 'Parts'));
  await hand.says(station('action:1:12'), '7/64');

  await hand.tap('radio', /^Frets$/);
  const first = await hand.at(station('fret-height:3:1'));
  first.focus();
  fireEvent(first, createEvent.paste(first, { clipboardData: { getData: () => '1.02\n1.01\n1.05\n' } }));
  await hand.says(station('fret-height:2:1'), '1.01');
  await hand.says(station('fret-height:1:1'), '1.05');
  await house.accessible();

  await hand.tap('radio', /^Saddle$/);
  await hand.enter(await hand.at(station('contact:6:0')), '1.5');
  await hand.says(station('contact:6:0'), '1.50');
  await hand.tap('radio', /^Table$/);
  await hand.says(station('contact:6:0'), '1.50 mm');
  await hand.one('row', /Fret 1 stands, treble/);
  await house.accessible();

  await hand.kept();
  const csv = await askHouse(`/api/job/${number}/readings.csv`);
  expect(csv.headers.get('content-type')).toContain('text/csv');
  expect(await csv.text()).toMatch(/as-found,contact,6,0,1\.5,,,,1\.5,mm/);
});

test('a target says its layers, and takes a wish against what is there now', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Wishes', {
    readings: [['action', 1, 12, '2.1']],
  });
  const hand = await house.show('owner', `/job/${number}/plan`);
  await hand.tap('button', 'Set Action 12, treble for this job');
  await hand.tap('radio', 'the customer’s wish');
  await hand.user.selectOptions(await hand.labelled('Against what is there now'), 'little-lower');
  await hand.tap('button', 'Keep the target');
  await hand.sees(/from the customer’s wish/);
  await hand.in('list', /Layers of Action 12, string 1/).sees('the kind');
});

test('a discount wants its reason, comes off before the tax, and stands in the history', async () => {
  const { number } = await house.takeIn('bass', 'Thrifty');
  const plan = await house.show('owner', `/job/${number}/plan`);
  await plan.pick(/^Another operation/, 'Adjust the truss rod');
  await plan.tap('button', 'Put it on the work order');
  await plan.misses('stands on the order already');
  await plan.pick(/^Another operation/, 'Adjust the truss rod');
  await plan.sees('“Adjust the truss rod” stands on the order already.');
  const hand = await house.show('owner', `/job/${number}/work`);
  await hand.tap('button', /^Yes/);
  const totals = hand.in('region', 'Agreed');
  await totals.sees('12.00');
  await totals.sees('As the work turns out');
  await totals.tap('button', 'Give a discount');
  await totals.fill(await totals.labelled('Per cent off'), 'ten');
  await totals.sees('A number, like 10');
  await totals.fill(await totals.labelled('Per cent off'), '25');
  await totals.tap('button', 'Keep the discount');
  await totals.sees('Why is it given?');
  await totals.fill(await totals.labelled('Its reason'), 'third one this year');
  await house.accessible();
  await totals.tap('button', 'Keep the discount');
  await totals.sees('Discount: third one this year');
  await totals.sees('3.00');
  const history = await house.show('owner', `/job/${number}/history`);
  await history.in('row', /took .* off, because/).sees('third one this year');
});

test('cuts are logged where they are made, by keys alone, a wrong unit is asked about, and one is taken back', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Shortened', { work: ['saddle-lower'] });
  const hand = await house.show('lead', `/job/${number}/work`);
  await hand.fill(await hand.labelled('Or why it is begun without'), 'read in passing');
  await hand.tap('button', 'Begin without: Lower the saddle');
  const cuts = hand.in('region', 'Cuts: Lower the saddle');
  (await cuts.labelled('Meant to take')).focus();
  await hand.user.keyboard('.025');
  await hand.user.tab();
  await hand.user.keyboard('2.6');
  await cuts.sees('say it with its unit');
  await hand.user.clear(await cuts.labelled('Came off'));
  await hand.user.keyboard('.026{Enter}');
  await cuts.sees('bass side: meant .025, came off .026');
  await cuts.pick(/^Cut at/, 'treble side');
  await cuts.fill(await cuts.labelled('Meant to take'), '.020');
  await cuts.fill(await cuts.labelled('Came off'), '.019');
  await house.accessible();
  await cuts.tap('button', 'Log the cut');
  await cuts.counts('listitem', undefined, 2);
  await cuts.tap('button', 'Take it back');
  await cuts.counts('listitem', undefined, 1);
  const history = await house.show('lead', `/job/${number}/history`);
  await history.sees('took .026 off the saddle, bass side; .025 was meant');
});

test('called off: who said so is asked, and a slip has a way back', async () => {
  const { number } = await house.takeIn('ukulele', 'Recall');
  const hand = await house.show('desk', `/job/${number}/hand-over`);
  await hand.tap('button', /It ends without a signature/);
  const form = hand.in('form', 'It ends without a signature');
  await form.tap('button', 'End the job without a signature');
  await form.sees('Say it in a few words.');
  await form.fill(await form.labelled('Who said so, and why'), 'The owner, by telephone: it is sold.');
  await form.tap('button', 'End the job without a signature');
  await hand.one('heading', 'Called off');
  await hand.in('banner').sees('called off');
  await house.accessible();
  const back = hand.in('form', 'Open it again');
  await back.fill(await back.labelled(/It goes on after all/), 'the wrong ukulele');
  await back.tap('button', 'Open it again');
  await hand.one('heading', 'How it ends');
  const history = await house.show('desk', `/job/${number}/history`);
  await history.in('table').sees('opened it again, because: the wrong ukulele');
});

test('the strings come off only past the gate: refused, filled, overridden with a reason; put on again, what is stale', async () => {
  const { number } = await house.takeIn('nylon', 'Gate', { readings: [['relief', 0, 7, '0.05']] });
  const hand = await house.show('lead', `/job/${number}/inspection`);
  const strings = hand.in('region', 'Strings');
  await strings.tap('button', 'Take the strings off');
  const gate = hand.in('dialog', 'Take the strings off');
  const status = gate.in('status');
  await status.sees(/◆ \d+ readings .*can be had only with the strings on/);
  await house.accessible();
  await gate.tap('button', 'Take them off all the same');
  await gate.sees(/things can be read only with the strings on/);
  const before = Number(/(\d+) readings/.exec(status.text())?.[1]);
  await gate.enter(await gate.at('[aria-label="Action 12, string 6"]'), '3,9 mm');
  await status.sees(`${before - 1} readings`);
  await gate.fill(await gate.labelled('Why it goes on without them'), 'second string broke while tuning');
  await gate.tap('button', 'Take them off all the same');
  await strings.sees('Strings off since');
  await strings.sees('The lead: second string broke while tuning');
  await hand.sees('◆ strings off');

  const work = await house.show('technician', `/job/${number}/work`);
  await work.in('region', 'Strings').tap('button', 'Put strings on');
  const dialog = work.in('dialog', 'Put strings on');
  await dialog.fill(await dialog.labelled('Gauges, lowest first'), '.044 .036');
  await dialog.tap('button', 'They are on, at pitch');
  await dialog.sees('6 gauges are needed, lowest first; 2 are written.');
  await dialog.fill(await dialog.labelled('Gauges, lowest first'), '.044 .036 .030 .041 .033 .029');
  await house.accessible();
  await dialog.tap('button', 'They are on, at pitch');
  await work.in('region', 'Strings').sees('Strings on since');
  await work.misses('◆ strings off');
  const readings = await house.show('technician', `/job/${number}/readings`);
  await readings.chosen('radio', /^After/);
  await readings.tap('radio', 'As found');
  await readings.at('[title^="stale: new strings put on"]');
});

test('what was written at the counter is corrected, with its reason, and stands so on every leaf', async () => {
  const { number } = await house.takeIn('ukulele', 'Misheard');
  const hand = await house.show('desk', `/job/${number}/arrival`);
  await hand.tap('button', /^Correct/);
  const form = hand.in('dialog', 'Correct what was said');
  await form.fill(await form.labelled('In their words'), 'It goes out of tune by the evening');
  await form.fill(await form.labelled(/^Money limit/), 'a lot');
  await form.in('alert').sees('amount');
  expect(((await form.one('button', /^Keep$/)) as HTMLButtonElement).disabled).toBe(true);
  await form.fill(await form.labelled(/^Money limit/), '45');
  await form.fill(await form.labelled(/^Telephone/), '555 0142');
  await house.accessible();
  await form.fill(await form.labelled('Why it is corrected'), 'misheard');
  await form.tap('button', /^Keep$/);
  await hand.counts('dialog', 'Correct what was said', 0);
  await hand.sees('It goes out of tune by the evening');
  await hand.sees('555 0142');
  await hand.sees('¤45.00');
  const history = await house.show('desk', `/job/${number}/history`);
  await history.sees('corrected what was said: their words');
  await history.sees('It goes out of tune by the evening');
});

test('looked at by mistake is taken back; who pays for a set is corrected where one is needed', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Unseen', {
    stringsState: 'off',
    construction: { assumed: ['finish', 'fingerboard'] },
  });
  const hand = await house.show('desk', `/job/${number}/arrival`);
  await hand.sees(/usually\s*nitrocellulose/);
  await hand.tap('button', 'Looked at: it is so');
  await hand.sees('Looked at just now.');
  await hand.misses('usually');
  await hand.tap('button', 'Take it back: nobody looked');
  await hand.sees('nobody has looked yet');
  await hand.sees(/usually\s*nitrocellulose/);
  await hand.sees('who pays for the set it needs');
  await hand.tap('button', /^Correct/);
  const form = hand.in('dialog', 'Correct what was said');
  await form.tap('radio', 'the shop');
  await form.fill(await form.labelled('Why it is corrected'), 'agreed on the telephone');
  await form.tap('button', /^Keep$/);
  await hand.sees('the set it needs first is paid by the shop');
  const history = await house.show('desk', `/job/${number}/history`);
  await history.sees('who pays for the set it needs first: the shop instead of nothing');
});

test('what a colleague does elsewhere shows by itself: the strings off and on, and that it is called off', async () => {
  const { number, jobId } = await house.takeIn('nylon', 'Elsewhere');
  const hand = await house.show('technician', `/job/${number}/work`);
  await hand.one('region', 'Strings');
  await hand.misses('◆ strings off');
  await house.give('strings.off', { jobId, reason: 'one broke' });
  await hand.sees('◆ strings off');
  const gauges = [0.044, 0.036, 0.03, 0.041, 0.033, 0.029];
  const notes = ['E2', 'A2', 'D3', 'G3', 'B3', 'E4'];
  await house.give('strings.on', {
    jobId,
    setName: 'hard',
    fresh: true,
    strings: gauges.map((inch, i) => ({ note: notes[i] ?? '', gauge: inch * 25.4, wound: i < 3 })),
  });
  await hand.misses('◆ strings off');
  await house.give('hand-over.end', { jobId, version: 0, ending: 'called-off', note: 'it is sold' });
  await hand.in('banner').sees('called off');
});

test('a hand quicker than the house: what comes back late moves it nowhere', async () => {
  const { number, jobId } = await house.takeIn('nylon', 'Quickhand');
  const hand = await house.show('lead', `/job/${number}/inspection`);
  await hand.in('list', 'All items').sees('open');
  const rows = () => [...document.querySelectorAll('ol[aria-label="All items"] button')];
  const said = (n: number) => rows()[n]?.querySelector('span:last-child')?.textContent ?? '';
  const [first = '', second = '', third = ''] = rows().map((row) => row.firstChild?.textContent ?? '');
  const item = hand.in('region', 'Item');
  const at = (title: string) => item.one('heading', title);
  await at(first);
  let letThrough = holdCommands();
  await hand.user.keyboard('f');
  await at(second);
  // Taken back while the answer is on its way: the hand is there with the key, not when the house has answered.
  await hand.user.keyboard('u');
  await at(first);
  await hand.user.keyboard('{ArrowDown}{ArrowDown}');
  await at(third);
  letThrough();
  await hand.kept();
  const { EventRow } = house.db().models;
  await hand.until(async () => (await EventRow.count({ where: { jobId, kind: 'item answered' } })) === 2);
  await hand.until(() => said(0).includes('open'));
  await at(third);
  await hand.user.keyboard('w');
  await hand.until(() => said(2).includes('watch'));

  // A colleague was first while the hand has gone on: it stays where it is, and the item in question is named.
  letThrough = holdCommands();
  await hand.tap('button', new RegExp(`^${second}`));
  await hand.user.keyboard('n{ArrowUp}{ArrowUp}{ArrowUp}');
  await at(first);
  const key = BENCH_ARRIVAL.items.find((i) => i.title === second)?.key ?? '';
  await house.give('inspection.answer', { jobId, item: key, answer: 'fine', note: '', version: 0 });
  letThrough();
  await item.in('alert').sees(`${second}: `);
  await item.in('alert').sees('Fine');
  await hand.until(() => said(1).includes('fine'));
  await at(first);
});

test('a list of customers brought in by mistake is taken out again, by a second tap', async () => {
  const customers = [1, 2].map((n) => ({ name: `Mistaken ${n}`, phone: `555 018${n}`, email: '' }));
  await house.give('shelf.import-customers', { customers });
  const hand = await house.show('owner', '/shelf/exchange');
  const list = hand.in('region', 'Brought in of late');
  await list.sees('2 customers');
  await list.tap('button', 'Take it back: 2 customers');
  await list.tap('button', 'No, it stays');
  expect(await house.db().models.Customer.count({ where: { name: 'Mistaken 1' } })).toBe(1);
  await list.tap('button', 'Take it back: 2 customers');
  await house.accessible();
  await list.tap('button', 'Yes, take it out: 2 customers');
  await list.in('status').sees('Taken out again: 2 customers.');
  await list.sees('Nothing that could be taken back.');
  expect(await house.db().models.Customer.count({ where: { name: 'Mistaken 1' } })).toBe(0);
});

test('no room on the disk: it is said, nothing is kept in half, and it goes on when there is room', async () => {
  const { path, jobId, hand } = await sheet('bass', 'Noroom');
  const { sequelize, models } = house.db();
  const log = () => models.EventRow.count({ where: { jobId } });
  const before = await log();
  // The database’s own word for it, at the last of what a reading writes.
  await sequelize.query(
    `CREATE TRIGGER no_room BEFORE INSERT ON events FOR EACH ROW
     SIGNAL SQLSTATE 'HY000' SET MYSQL_ERRNO = 1114, MESSAGE_TEXT = 'The table is full'`,
  );
  try {
    await hand.enter(await hand.at(station('relief:0:7')), '.011');
    await hand.sees('The disk of the house is full: nothing of this was kept there.');
    await hand.says(station('relief:0:7'), '.011');
    expect([await models.ReadingRow.count({ where: { typed: '.011' } }), await log()]).toEqual([0, before]);
  } finally {
    await sequelize.query('DROP TRIGGER no_room');
  }
  await hand.enter(await hand.at(station('relief:0:7')), '.012');
  await hand.kept();
  await hand.until(async () => (await models.ReadingRow.count({ where: { typed: '.012' } })) === 1);
  const again = await house.reload('lead', path);
  await again.says(station('relief:0:7'), '.012');
});
