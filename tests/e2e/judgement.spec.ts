/** One judgement: the same numbers on every part of the plan, what was found, and a rod that cannot be turned as it should. */
import { expect, type Locator, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, go, tablet, test } from './shop.ts';
import { takenIn, type Typed } from './taken-in.ts';

let ilse: Page;
let per: Page;

test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468', true);
  per = await tablet(browser, B, 'Per Lindqvar', '9753');
});

/** A steel-string as it stands after a dry winter: deep, and high on the bass side. */
const DEEP: readonly Typed[] = [
  ['relief', 0, 7, '0.36'],
  ['action', 6, 12, '2.98'],
  ['action', 1, 12, '1.79'],
  ['saddle-standout', 0, 0, '4.2'],
  ...[6, 5, 4, 3, 2, 1].map((s): Typed => ['nut-gap', s, 1, '0.1']),
];

const line = (page: Page, title: string): Locator =>
  page.getByRole('listitem').filter({ has: page.getByRole('heading', { name: title }) });

async function part(number: number, name: string): Promise<void> {
  await go(ilse, `/job/${number}/plan`);
  await ilse.getByRole('radio', { name, exact: true }).click();
}

/** Opens an item of the inspection and says what was found on it. */
async function found(number: number, item: RegExp, finding: RegExp): Promise<void> {
  await go(ilse, `/job/${number}/inspection`);
  await ilse.getByRole('list', { name: 'All items' }).getByRole('button', { name: item }).click();
  await ilse
    .getByRole('group', { name: /^What was found/ })
    .getByRole('button', { name: finding })
    .click();
  await expect(
    ilse.getByRole('list', { name: 'All items' }).getByRole('button', { name: item }),
  ).toContainText('needs work');
}

test('from the proposal to the order and to the customer’s options: one set of numbers', async () => {
  const number = await takenIn('steel-acoustic', 'Onenumber', { readings: DEEP });
  await go(ilse, `/job/${number}/plan`);
  await expect(line(ilse, 'Adjust the truss rod')).toContainText('Tighten a quarter turn');
  const cut = /Bass [^,]+ down, treble stays/;
  const saddle = cut.exec((await line(ilse, 'Lower the saddle').textContent()) ?? '')?.[0] ?? 'no number';
  const whole = ilse.getByRole('button', { name: /^Put all \d on the work order/ });
  const price = /¤[\d.]+/.exec((await whole.locator('..').textContent()) ?? '')?.[0] ?? 'no price';
  await ilse.getByRole('radio', { name: 'Plans' }).click();
  const enough = ilse.getByRole('article', { name: 'What is enough' });
  await expect(enough).toContainText(saddle);
  await expect(enough).toContainText(price);
  await ilse.getByRole('radio', { name: 'Options' }).click();
  await expect(ilse.getByRole('article', { name: 'Put right what is out' })).toContainText(
    'The saddle is lowered',
  );
  await ilse.getByRole('radio', { name: 'Proposed' }).click();
  await whole.click();
  await expect(line(ilse, 'Lower the saddle')).toContainText('Ilse Marrow accepted this');
  await expect(whole).toHaveCount(0);
  await accessible(ilse, 'a whole plan accepted');
  await go(per, `/job/${number}/work`);
  await expect(per.locator('#main')).toContainText(saddle);
  await expect(per.locator('#main')).toContainText('Tighten a quarter turn');
});

test('a rod at its end is never turned further: clamped, warmed or left, and it says why', async () => {
  const deep: Typed[] = [['relief', 0, 7, '0.5'], ...DEEP.slice(1)];
  const number = await takenIn('steel-acoustic', 'Lastthread', { readings: deep });
  await found(number, /^Rod nut turns freely/, /At its end/);
  await part(number, 'Plans');
  const enough = ilse.getByRole('article', { name: 'What is enough' });
  await expect(enough).toContainText('Clamp the neck into a back-bow');
  await expect(enough).not.toContainText('Adjust the truss rod.');
  await expect(enough).toContainText('it is not turned further');
  await ilse.getByRole('radio', { name: 'Proposed' }).click();
  await expect(line(ilse, 'Adjust the truss rod')).toHaveCount(0);
  await accessible(ilse, 'a rod at its end');
});

test('a rod at the heel: the neck comes off, two blind turns are logged, and the reading tells what they did', async () => {
  const readings: Typed[] = [
    ['relief', 0, 7, '0.7'],
    ['action', 4, 12, '2.4'],
    ['action', 1, 12, '2.0'],
    ...[4, 3, 2, 1].map((s): Typed => ['nut-gap', s, 1, '0.1']),
  ];
  const number = await takenIn('bass', 'Heelrod', {
    readings,
    construction: { joint: 'bolted', rodNut: 'heel' },
    work: ['rod'],
  });
  await part(number, 'Plans');
  await expect(ilse.getByRole('article', { name: 'What is enough' })).toContainText(
    /Take the neck off and put it back.*Adjust the truss rod/,
  );
  await go(ilse, `/job/${number}/work`);
  await ilse.getByRole('button', { name: 'Start: Adjust the truss rod' }).tap();
  const turns = ilse.getByRole('region', { name: 'Turns: Adjust the truss rod' });
  await expect(turns).toContainText('Next: tighten a quarter turn');
  for (const n of [1, 2]) {
    await turns.getByRole('radio', { name: '1/8' }).click();
    await turns.getByRole('button', { name: 'Log the turn' }).tap();
    await expect(turns.getByRole('listitem')).toHaveCount(n);
  }
  await expect(turns.getByRole('listitem').first()).toContainText('blind, not read yet');
  await expect(turns).toContainText('Read the relief');
  await accessible(ilse, 'turns of a rod');
  await go(ilse, `/job/${number}/readings`);
  await ilse.getByRole('radio', { name: 'After: Adjust the truss rod' }).click();
  await ilse.getByRole('radio', { name: 'mm' }).click();
  const relief = ilse.locator('[data-station="relief:0:7"]');
  await relief.fill('0.6');
  await relief.press('Enter');
  await expect(ilse.locator('[data-sending]')).toHaveCount(0);
  await go(ilse, `/job/${number}/work`);
  await expect(turns.getByRole('listitem').last()).toContainText('.024');
  await expect(turns).toContainText(/Next: tighten a quarter turn, to about \.0\d\d\. From one logged turn/);
  await turns.getByLabel('Relief reads now').fill('20');
  await turns.getByRole('button', { name: 'Log the turn' }).tap();
  await expect(turns.getByRole('listitem').last()).toContainText('.020');
  await turns.getByRole('button', { name: 'Take it back' }).tap();
  await expect(turns.getByRole('listitem')).toHaveCount(2);
});

test('a finding chosen is found again in the plan, the estimate and the sheet', async () => {
  const number = await takenIn('steel-acoustic', 'Dullmetal', { readings: DEEP });
  await found(number, /^Frets bright/, /Dull/);
  await found(number, /^Original and replaced/, /replaced/);
  await part(number, 'Plans');
  const enough = ilse.getByRole('article', { name: 'What is enough' });
  await expect(enough).toContainText('Polish the frets. Inspection: Frets bright: dull');
  await expect(enough).toContainText('a part was replaced: Is the old part here?');
  await ilse.getByRole('radio', { name: 'Proposed' }).click();
  await ilse.getByRole('button', { name: /^Put all \d on the work order/ }).click();
  await expect(line(ilse, 'Polish the frets')).toContainText('Ilse Marrow accepted this');
  await go(per, `/job/${number}/work`);
  await expect(per.getByRole('button', { name: 'Yes to Polish the frets' })).toBeVisible(BY_ITSELF);
  await go(per, `/job/${number}/hand-over`);
  await expect(per.getByRole('article', { name: 'The customer’s sheet' })).toContainText(
    'The frets are dull.',
  );
});
