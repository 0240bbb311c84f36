import { expect, type Page } from '@playwright/test';
import { A, accessible, B, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let per: Page;
let nadia: Page;

test.beforeAll(async ({ browser }) => {
  per = await tablet(browser, A, 'Per Lindqvar', '9753');
  nadia = await tablet(browser, B, 'Nadia Brook', '8642');
});

const BY_ITSELF = { timeout: 20_000 };

test('it goes home as it is: the check asks only what is true, a deposit and a refund, and the sheet says so', async () => {
  const number = await takenIn('steel-acoustic', 'Ending', { work: ['rod'], cameWith: ['strap'] });
  await go(per, `/job/${number}/hand-over`);
  await accessible(per, 'hand-over, to be ended');
  const payment = per.getByRole('region', { name: 'Payment' });
  await payment.getByLabel('Amount').fill('20');
  await payment.getByRole('radio', { name: 'Cash' }).click();
  await payment.getByLabel('Handed over').fill('50');
  await expect(payment.getByRole('status')).toContainText('¤30.00');
  await payment.getByRole('button', { name: 'Write it down' }).click();
  await expect(payment).toContainText('Deposit ¤20.00, cash');
  await per.getByRole('radio', { name: 'Goes home as it is' }).click();
  await expect(per.getByText('Not done any more: Adjust the truss rod.')).toBeVisible();
  const why = per.getByLabel('Why it goes home as it is, as the customer reads it');
  await why.fill('The neck is past its rod.');
  await why.blur();
  const sheet = per.getByRole('article', { name: 'The customer’s sheet' });
  await expect(sheet).toContainText('No setup was made: it goes home as it is. The neck is past its rod.');
  await expect(sheet).toContainText('Adjust the truss rod: not done');
  const check = per.getByRole('region', { name: 'Bench check' });
  await expect(check.getByRole('checkbox', { name: /Every fret/ })).toHaveCount(0);
  for (const box of await check.getByRole('checkbox').all()) {
    await box.click();
    await expect(box).toBeChecked();
    await expect(box).toBeEnabled();
  }
  await per.getByRole('checkbox', { name: 'strap' }).click();
  await expect(per.getByRole('checkbox', { name: 'strap' })).toBeChecked();
  await payment.getByRole('radio', { name: 'Given back' }).click();
  await expect(payment.getByLabel('Amount')).toHaveValue('20.00');
  await payment.getByRole('button', { name: 'Write it down' }).click();
  await expect(payment).toContainText('Nothing is to pay.');
  await per.getByLabel('Signs by name, without drawing').check();
  await per.getByRole('button', { name: 'Sign and close' }).click();
  await expect(per.getByText('Signed and sealed')).toBeVisible();
  await accessible(per, 'signed as it is');
});

test('called off: who said so is asked, everybody sees it, and a slip has a way back', async () => {
  const number = await takenIn('ukulele', 'Recall');
  await go(nadia, `/job/${number}/work`);
  await go(per, `/job/${number}/hand-over`);
  await per.getByRole('button', { name: /It ends without a signature/ }).click();
  const form = per.getByRole('form', { name: 'It ends without a signature' });
  await form.getByRole('button', { name: 'End the job without a signature' }).click();
  await expect(form.getByText('Say it in a few words.')).toBeVisible();
  await form.getByLabel('Who said so, and why').fill('The owner, by telephone: it is sold.');
  await form.getByRole('button', { name: 'End the job without a signature' }).click();
  await expect(per.getByRole('heading', { name: 'Called off' })).toBeVisible();
  await expect(nadia.locator('header').getByText('called off')).toBeVisible(BY_ITSELF);
  await accessible(per, 'called off');
  const back = per.getByRole('form', { name: 'Open it again' });
  await back.getByLabel(/It goes on after all/).fill('the wrong ukulele');
  await back.getByRole('button', { name: 'Open it again' }).click();
  await expect(per.getByRole('heading', { name: 'How it ends' })).toBeVisible();
  await go(per, `/job/${number}/history`);
  await expect(per.getByRole('table')).toContainText('opened it again, because: the wrong ukulele');
});

test('a list of one’s own: columns are found, rows that do not fit are said, the good ones stand in the book', async () => {
  await go(per, '/shelf/exchange');
  await per.getByLabel(/A list as CSV, with its columns/).setInputFiles({
    name: 'list.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Owner;Mobile;Instrument;Type\nLina Farrow;555 0144;Lark;Ukulele\n;555 0145;Lark;\nOdo Pell;by post;;\nTam Orr;;Reed;Harp\n',
    ),
  });
  await expect(per.getByText('Of 4 rows 1 fit: 1 customers, 1 instruments.')).toBeVisible();
  await expect(per.getByText('line 4: “by post” is not a telephone number')).toBeVisible();
  await accessible(per, 'a list of one’s own');
  await per.getByRole('button', { name: 'Write what fits into the book' }).click();
  await expect(per.getByText('1 customers and 1 instruments written.')).toBeVisible();
  await go(per, '/shelf?find=Farrow');
  await expect(per.getByRole('row', { name: /Lark/ })).toContainText('Lina Farrow');
});

test('places are added as a row, and first-day steps ticked; both stand after a reload', async ({
  browser,
}) => {
  const odile = await tablet(browser, A, 'Odile Farrant', '480216');
  await go(odile, '/house/places');
  await accessible(odile, 'places');
  await odile.getByLabel(/More places: names/).fill('E1–E3');
  await odile.getByRole('button', { name: 'Add', exact: true }).click();
  await odile.getByRole('button', { name: 'Keep the places' }).click();
  await expect(odile.getByRole('button', { name: 'Keep the places' })).toBeDisabled();
  await odile.reload();
  await expect(odile.locator('input[value="E3"]')).toBeVisible();
  await go(odile, '/house/first-day');
  await accessible(odile, 'first day');
  await odile.getByRole('checkbox', { name: /The shop/ }).click();
  await expect(odile.getByRole('checkbox', { name: /The shop/ })).toBeChecked();
  await odile.reload();
  await expect(odile.getByRole('checkbox', { name: /The shop/ })).toBeChecked();
  await odile.getByRole('button', { name: 'Put this path away' }).click();
  await expect(odile.getByRole('button', { name: 'Show it again in House' })).toBeVisible();
});

test('? says what a page is for and its keys; the guide is searched as one types', async () => {
  await go(per, '/rack');
  await per.keyboard.press('?');
  const help = per.getByRole('dialog');
  await expect(help).toContainText('Where every instrument is');
  await accessible(per, 'help');
  await per.keyboard.press('Escape');
  await expect(help).toHaveCount(0);
  // In a field a question mark is a question mark.
  await per.getByRole('searchbox', { name: 'Find' }).press('?');
  await expect(help).toHaveCount(0);
  await per.getByRole('button', { name: /What this page is for/ }).click();
  await help.getByRole('link', { name: 'In the guide' }).click();
  await expect(per).toHaveURL(/\/guide#bench-day$/);
  await accessible(per, 'guide');
  await per.getByLabel('Find in the guide').fill('representative');
  await expect(per.getByText('a reading taken with a string missing or off pitch')).toBeVisible();
  await expect(per.getByRole('heading', { name: 'A day as owner' })).toHaveCount(0);
});
