import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
});

test('a first cut of 88 % is proposed from logged cuts, taken by the lead, and is how the shop plans', async () => {
  await go(ilse, '/house/learned');
  const proposed = ilse.getByRole('region', { name: 'What would have been right' });
  const first = proposed.getByRole('listitem').filter({ hasText: 'First cut, of the whole' });
  await expect(first).toContainText('80 % → 88 %');
  await expect(first).toContainText(/1[6-9] saddle cuts/);
  const work = ilse.getByRole('region', { name: 'The shop’s work' });
  await expect(work.getByRole('listitem').filter({ hasText: 'Lower the saddle' }).first()).toContainText(
    /% more than was meant, single ones ±/,
  );
  await accessible(ilse, 'how it came out');
  await first.getByRole('button', { name: /^Take it/ }).click();
  await expect(first).toHaveCount(0);
  await go(ilse, '/house/planning');
  const share = ilse.getByLabel(/^First cut, of the whole/);
  await expect(share).toHaveValue('88');
  // What was taken can be taken back, and is proposed again.
  await share.fill('80');
  await ilse.getByRole('button', { name: 'Keep how we plan' }).click();
  await go(ilse, '/house/learned');
  await expect(first).toContainText('80 % → 88 %');
});

test('cuts are logged where they are made, by keys alone, a wrong unit is asked about, and one is taken back', async () => {
  const number = await takenIn('steel-acoustic', 'Shortened', { work: ['saddle-lower'] });
  await go(ilse, `/job/${number}/work`);
  await ilse.getByRole('button', { name: 'Begin without: Lower the saddle' }).waitFor();
  await ilse.getByLabel('Or why it is begun without').fill('read in passing');
  await ilse.getByRole('button', { name: 'Begin without: Lower the saddle' }).click();
  const cuts = ilse.getByRole('region', { name: 'Cuts: Lower the saddle' });
  await cuts.getByLabel('Meant to take').focus();
  await ilse.keyboard.type('.025');
  await ilse.keyboard.press('Tab');
  await ilse.keyboard.type('2.6');
  await expect(cuts.getByText('say it with its unit')).toBeVisible();
  await ilse.keyboard.press('ControlOrMeta+a');
  await ilse.keyboard.type('.026');
  await ilse.keyboard.press('Enter');
  await expect(cuts.getByRole('listitem')).toContainText('bass side: meant .025, came off .026');
  await cuts.getByRole('button', { name: /^Cut at/ }).click();
  await ilse.getByRole('option', { name: 'treble side' }).click();
  await cuts.getByLabel('Meant to take').fill('.020');
  await cuts.getByLabel('Came off').fill('.019');
  await accessible(ilse, 'a logged cut');
  await cuts.getByRole('button', { name: 'Log the cut' }).click();
  await expect(cuts.getByRole('listitem')).toHaveCount(2);
  await cuts.getByRole('button', { name: 'Take it back' }).click();
  await expect(cuts.getByRole('listitem')).toHaveCount(1);
  await go(ilse, `/job/${number}/history`);
  await expect(ilse.getByText('took 0.66 mm off the saddle, bass side; 0.64 mm was meant')).toBeVisible();
});

test('a person at the bench sees their own work there and nobody else’s, and proposes nothing', async ({
  browser,
}) => {
  const tomas = await tablet(browser, A, 'Tomas Vey', '1357');
  await go(tomas, '/house/learned');
  await expect(tomas.getByRole('heading', { name: 'Your own work' })).toBeVisible();
  await expect(tomas.getByRole('heading', { name: 'What would have been right' })).toHaveCount(0);
  await expect(tomas.getByRole('heading', { name: 'The shop’s work' })).toHaveCount(0);
  expect((await tomas.request.get(`${A}/api/learned`)).status()).toBe(403);
  const file = await ilse.request.get(`${A}/api/learned`);
  expect(await file.text()).toContain('Cuts of saddle and nut,Lower the saddle');
});

test('what a logger wrote down is read, the order of its dates asked for, taken in and out again', async () => {
  await go(ilse, '/house/air');
  const file = (text: string) => ({
    name: 'shelf logger.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(text),
  });
  const field = ilse.getByLabel('The logger’s file');
  await field.setInputFiles(file('a;b\n1;2\n'));
  await expect(ilse.getByText('names a time and a humidity')).toBeVisible();
  await field.setInputFiles(
    file('Time;Temperature °F;Humidity\n3/4/2021 10:00;68;41\n3/5/2021 10:00;70;43\nbattery;;\n'),
  );
  await ilse.getByRole('radio', { name: 'the month first' }).click();
  await expect(
    ilse.getByText('2 hours from 4 March 2021 to 5 March 2021, 41 to 43 %, 20 to 21 °C.'),
  ).toBeVisible();
  await expect(ilse.getByText('1 lines say nothing')).toHaveCount(0);
  await expect(ilse.getByText('1 line says nothing of the air and is left out; line 4')).toBeVisible();
  await ilse.getByRole('button', { name: 'Take it in' }).click();
  await expect(ilse.getByText('2 hours were taken in.')).toBeVisible();
  await accessible(ilse, 'the air');
  const taken = ilse.getByRole('listitem').filter({ hasText: 'shelf logger.csv' });
  await expect(taken).toContainText('2 hours');
  await taken.getByRole('button', { name: /^Take it out again/ }).click();
  await expect(taken).toHaveCount(0);
});
