/** How a job ends without being done, a list of one's own brought in, places and first steps. */
import { screenHouse } from './screen-house.tsx';

const house = screenHouse('screens_ends');

test('it goes home as it is: the check asks only what is true, a deposit and a refund, and the sheet says so', async () => {
  const { number } = await house.takeIn('steel-acoustic', 'Ending', { work: ['rod'], cameWith: ['strap'] });
  const hand = await house.show('desk', `/job/${number}/hand-over`);
  await hand.one('region', 'Payment');
  await house.accessible();
  const payment = hand.in('region', 'Payment');
  await payment.fill(await payment.labelled('Amount'), '20');
  await payment.tap('radio', 'Cash');
  await payment.fill(await payment.labelled('Handed over'), '50');
  await payment.in('status').sees('¤30.00');
  await payment.tap('button', 'Write it down');
  await payment.sees('Deposit ¤20.00, cash');
  await hand.tap('radio', 'Goes home as it is');
  await hand.sees('Not done any more: Adjust the truss rod.');
  const why = await hand.labelled('Why it goes home as it is, as the customer reads it');
  await hand.fill(why, 'The neck is past its rod.');
  why.blur();
  const sheet = hand.in('article', 'The customer’s sheet');
  await sheet.sees('No setup was made: it goes home as it is. The neck is past its rod.');
  await sheet.sees('Proposed, and not done: The neck’s curve is set with its rod.');
  const check = hand.in('region', 'Bench check');
  expect(check.many('checkbox', /Every fret/)).toBe(0);
  const boxes = check.many('checkbox');
  expect(boxes).toBeGreaterThan(0);
  for (let i = 0; i < boxes; i++) {
    const box = () => check.nth('checkbox', i);
    await hand.user.click(box());
    await hand.until(() => box().checked && !box().disabled);
  }
  await hand.tap('checkbox', 'strap');
  await hand.chosen('checkbox', 'strap');
  await payment.tap('radio', 'Given back');
  await payment.says(await payment.labelled('Amount'), '20.00');
  await payment.tap('button', 'Write it down');
  await payment.sees('Nothing is to pay.');
  await hand.user.click(await hand.labelled('Signs by name, without drawing'));
  await hand.tap('button', 'Sign and close');
  await hand.sees('Signed and sealed');
  await house.accessible();
});

test('a list of one’s own: columns are found, rows that do not fit are said, the good ones stand in the book', async () => {
  const hand = await house.show('desk', '/shelf/exchange');
  await hand.upload(
    /A list as CSV, with its columns/,
    'list.csv',
    'Owner;Mobile;Instrument;Type\nLina Farrow;555 0144;Lark;Ukulele\n;555 0145;Lark;\nOdo Pell;by post;;\nTam Orr;;Reed;Harp\n',
  );
  await hand.sees('Of 4 rows 1 fit: 1 customers, 1 instruments.');
  await hand.sees('line 4: “by post” is not a telephone number');
  await house.accessible();
  await hand.tap('button', 'Write what fits into the book');
  await hand.sees('1 customers and 1 instruments written.');
  const found = await house.show('desk', '/shelf?find=Farrow');
  await found.in('row', /Lark/).sees('Lina Farrow');
});

test('places are added as a row, and first-day steps ticked; both stand after a reload', async () => {
  const places = await house.show('owner', '/house/places');
  await places.one('button', 'Keep the places');
  await house.accessible();
  await places.fill(await places.labelled(/More places: names/), 'E1–E3');
  await places.tap('button', /^Add$/);
  await places.tap('button', 'Keep the places');
  await places.until(
    async () => ((await places.one('button', 'Keep the places')) as HTMLButtonElement).disabled,
  );
  const again = await house.reload('owner', '/house/places');
  await again.at('input[value="E3"]');
  const first = await house.show('owner', '/house/first-day');
  await first.one('checkbox', /The shop/);
  await house.accessible();
  await first.tap('checkbox', /The shop/);
  await first.chosen('checkbox', /The shop/);
  await first.kept();
  const day = await house.reload('owner', '/house/first-day');
  await day.chosen('checkbox', /The shop/);
  await day.tap('button', 'Put this path away');
  await day.one('button', 'Show it again in House');
});
