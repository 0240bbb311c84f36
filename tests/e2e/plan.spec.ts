import { expect, type Locator, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, freshContext, go, tablet, test } from './shop.ts';
import { high } from '../taken-in.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
let odile: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  odile = await tablet(browser, B, 'Odile Farrant', '480216');
});

async function part(page: Page, number: number, name: string): Promise<void> {
  await go(page, `/job/${number}/plan`);
  await page.getByRole('radio', { name, exact: true }).click();
}

const plan = (page: Page, name: string): Locator => page.getByRole('article', { name });

test(
  'a high action with plenty of saddle: lowered, chosen, and held against what is left',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Highrise', { readings: high('3.2', '2.6', '5') });
    await part(ilse, number, 'Plans');
    const enough = plan(ilse, 'What is enough');
    await expect(enough).toContainText('Lower the saddle.');
    await enough.getByText('steps, in their order').click();
    await expect(enough).toContainText('then read again');
    await enough.getByText('Why so').click();
    await expect(enough).toContainText('○ out Reset the neck');
    await accessible(ilse, 'plans');
    await enough.getByLabel('Why this one').fill('she wants it cheap');
    await enough.getByRole('button', { name: 'Go by this plan' }).click();
    await expect(enough).toContainText('chosen by Ilse Marrow');
    await go(odile, `/job/${number}/work`);
    await expect(odile.locator('#main')).toContainText('Lower the saddle');
    await go(ilse, `/job/${number}/readings`);
    await ilse.getByRole('radio', { name: 'As left' }).click();
    await ilse.getByRole('radio', { name: 'mm' }).click();
    const action = ilse.locator('[id="station-action:6:12"]');
    await action.fill('2.45');
    await action.press('Enter');
    await expect(ilse.locator('[data-sending]')).toHaveCount(0);
    await go(ilse, `/job/${number}/plan`);
    const row = ilse.getByRole('row', { name: /^Action 12, string 6/ });
    await expect(row).toContainText('more');
  },
);

test(
  'a tapped place is heard as tried, then as read, only when it is asked for',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Soundout', { readings: high('2.2', '1.7', '4') });
    await part(ilse, number, 'Try it');
    const open = ilse.getByRole('button', { name: 'Hear it' });
    await open.click();
    const heard = ilse.getByRole('region', { name: 'Hear it' });
    await expect(heard).toContainText('without body and room');
    await ilse.getByRole('radio', { name: 'light touch' }).click();
    await heard.getByRole('button', { name: 'Play' }).click();
    await expect(heard).toContainText('as read: clear');
    await expect(heard).not.toContainText('as tried');
    // Half a millimetre lower, plucked hard.
    const saddle = ilse.getByRole('slider', { name: 'Saddle, bass' });
    await saddle.focus();
    for (let i = 0; i < 20; i++) await saddle.press('ArrowDown');
    await ilse.getByLabel('or a pluck of, N').fill('6');
    await expect(heard).not.toContainText('as tried');
    await ilse.getByRole('group', { name: /^Neck from the side/ }).click({ position: { x: 420, y: 196 } });
    await expect(heard).toContainText(/as tried: touches fret \d+/);
    await expect(heard).toContainText('as read:');
    await accessible(ilse, 'hear it');
  },
);

test(
  'a heavy hand against a light one, by handles, keys, numbers and a drag; back and forth; kept by name',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Strummer', { readings: high('2.2', '1.7', '4') });
    await part(ilse, number, 'Try it');
    const says = ilse.getByRole('region', { name: 'Try it' }).locator('[aria-live]');
    await ilse.getByRole('radio', { name: 'light touch' }).click();
    await expect(says).toContainText('Clear everywhere');
    const light = await says.textContent();
    await ilse.getByRole('radio', { name: 'plays hard' }).click();
    await expect(says).not.toHaveText(light ?? '');
    await ilse.getByLabel('or a pluck of, N').fill('6');
    await expect(says).toContainText('meets fret');
    await ilse.getByLabel('or a pluck of, N').fill('');
    const saddle = ilse.getByRole('slider', { name: 'Saddle, bass' });
    await saddle.focus();
    for (let i = 0; i < 10; i++) await ilse.keyboard.press('ArrowDown');
    await expect(saddle).toHaveAttribute('aria-valuenow', '-0.5');
    const field = ilse.getByRole('textbox', { name: 'Saddle, treble' });
    await field.fill('-1/64');
    await expect(ilse.getByRole('slider', { name: 'Saddle, treble' })).toHaveAttribute(
      'aria-valuenow',
      '-0.397',
    );
    await field.fill('x');
    await expect(ilse.getByText('A length, like')).toBeVisible();
    await field.blur();
    const rod = ilse.getByRole('slider', { name: 'Rod: relief' });
    const box = await rod.boundingBox();
    if (!box) throw new Error('no rod');
    await ilse.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await ilse.mouse.down();
    await ilse.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 12, { steps: 4 });
    await ilse.mouse.up();
    expect(Number(await rod.getAttribute('aria-valuenow'))).toBeGreaterThan(0.1);
    await ilse.getByRole('button', { name: 'Undo' }).click();
    await expect(rod).toHaveAttribute('aria-valuenow', '0');
    await ilse.getByRole('button', { name: 'Redo' }).click();
    await expect(rod).not.toHaveAttribute('aria-valuenow', '0');
    await ilse.getByRole('button', { name: 'How sure is that?' }).click();
    await expect(says).toContainText(/the chance that a played place buzzes is \d+ %/);
    await ilse.getByLabel('Keep what is tried as').fill('lower, looser');
    await ilse.getByRole('button', { name: 'Keep it' }).click();
    await expect(ilse.getByRole('columnheader', { name: 'lower, looser' })).toBeVisible();
    await part(odile, number, 'Try it');
    await expect(odile.getByRole('columnheader', { name: 'lower, looser' })).toBeVisible();
    await odile.getByRole('button', { name: 'Try lower, looser again' }).click();
    await expect(odile.getByRole('slider', { name: 'Saddle, bass' })).toHaveAttribute(
      'aria-valuenow',
      '-0.5',
    );
    await go(ilse, `/job/${number}/readings`);
    await ilse.getByRole('radio', { name: '64ths' }).click();
    await expect(ilse.locator('[id="station-action:6:12"]')).toHaveValue(/^5½\/64/);
  },
);

test('the customer chooses on their phone, once; the bench sees it by itself', async ({ browser }) => {
  const number = await takenIn('steel-acoustic', 'Farphone', { readings: high('3.2', '2.6', '5') });
  await part(ilse, number, 'Options');
  await expect(ilse.getByRole('article', { name: 'Put right what is out' })).toBeVisible();
  await ilse.getByRole('button', { name: 'Put them before the customer' }).click();
  const link = await ilse.getByLabel('The customer’s link').inputValue();
  await accessible(ilse, 'options');
  const context = await freshContext(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
  const phone = await context.newPage();
  await phone.goto(link);
  await expect(phone.getByRole('heading', { level: 1 })).toHaveText('Farphone Trial');
  await accessible(phone, 'the customer’s page');
  await phone.getByRole('button', { name: /Choose this: Put right what is out/ }).tap();
  await phone.getByRole('button', { name: /^Yes: Put right/ }).tap();
  await expect(phone.getByText('Please write your name.')).toBeVisible();
  await phone.getByLabel('Your name').fill('Rowan Thackeray-Moss');
  await phone.getByRole('button', { name: /^Yes: Put right/ }).tap();
  await expect(phone.getByRole('status')).toContainText('chose Put right what is out');
  await expect(ilse.getByText(/Rowan Thackeray-Moss chose/)).toBeVisible(BY_ITSELF);
  await phone.reload();
  await expect(phone.getByRole('button', { name: /Choose this/ })).toHaveCount(0);
  await phone.goto(link.replace(/.{43}$/, 'x'.repeat(43)));
  await expect(phone.getByRole('heading', { level: 1 })).toContainText('opens nothing');
  const wall = await phone.goto(new URL(`/job/${number}/plan`, link).href);
  expect(wall?.url()).toContain('/pair');
});

test(
  'the choice stands on the estimate’s page too, and is made there once',
  { tag: '@long' },
  async ({ browser }) => {
    const number = await takenIn('steel-acoustic', 'Nearphone', { readings: high('3.2', '2.6', '5') });
    await part(ilse, number, 'Options');
    await ilse.getByRole('button', { name: 'Put them before the customer' }).click();
    await expect(ilse.getByLabel('The customer’s link')).toBeVisible();
    await go(odile, `/job/${number}/work`);
    await odile.getByRole('button', { name: 'Make a link' }).click();
    const link = await odile.getByLabel('The customer’s link').inputValue();
    const context = await freshContext(browser, { viewport: { width: 390, height: 844 }, hasTouch: true });
    const phone = await context.newPage();
    await phone.goto(new URL(new URL(link).pathname, odile.url()).href);
    const options = phone.getByRole('region', { name: 'Options' });
    await accessible(phone, 'options on the estimate');
    await options
      .getByRole('button', { name: /^Choose this: / })
      .first()
      .tap();
    await options.getByRole('button', { name: /^Yes: / }).tap();
    await expect(options.getByText('Please write your name.')).toBeVisible();
    await options.getByLabel('Your name').fill('Linnet Abelard');
    await options.getByRole('button', { name: /^Yes: / }).tap();
    await expect(options.getByRole('status')).toContainText('Linnet Abelard chose');
    await expect(ilse.getByText(/Linnet Abelard chose/)).toBeVisible(BY_ITSELF);
    await phone.reload();
    await expect(options.getByRole('status')).toContainText('Linnet Abelard chose');
    await expect(options.getByRole('button', { name: /Choose this/ })).toHaveCount(0);
  },
);

test(
  'a few places played and heard fit the hand; a colleague sees it; how the shop plans stands in House',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Heard', { readings: high('2.2', '1.7', '4') });
    await part(ilse, number, 'Try it');
    const heard = ilse.getByRole('region', { name: 'Played and heard' });
    await expect(heard).toContainText('Play a few places as this player does');
    await heard.getByLabel('Held at (0 open)').fill('5');
    await heard.getByRole('button', { name: 'Clear', exact: true }).tap();
    await expect(heard).toContainText('This hand plucks with about');
    await heard.getByText('1 place heard, one by one').tap();
    const list = heard.getByRole('list', { name: 'Places heard' });
    await expect(list.getByRole('listitem')).toContainText('string 6 at 5: clear');
    await heard.getByLabel('Held at (0 open)').fill('30');
    await heard.getByRole('button', { name: 'Buzzes', exact: true }).tap();
    await expect(heard).toContainText('It is held at 0 to 19.');
    await accessible(ilse, 'what was heard');
    await part(odile, number, 'Try it');
    const theirs = odile.getByRole('region', { name: 'Played and heard' });
    await theirs.getByText('1 place heard, one by one').click();
    await theirs.getByRole('button', { name: 'Take back string 6 at 5' }).click();
    await expect(list).toHaveCount(0, BY_ITSELF);

    await go(ilse, '/house/planning');
    const first = ilse.getByLabel(/^First cut, of the whole/);
    await expect(first).toHaveValue('80');
    await first.fill('much');
    await expect(ilse.getByRole('button', { name: 'Keep how we plan' })).toBeDisabled();
    await first.fill('75');
    await ilse.getByRole('button', { name: 'Keep how we plan' }).tap();
    await ilse.reload();
    await expect(first).toHaveValue('75');
    await accessible(ilse, 'how we plan');
    await first.fill('80');
    await ilse.getByRole('button', { name: 'Keep how we plan' }).tap();
    await ilse.reload();
    await expect(first).toHaveValue('80');
  },
);
