import { expect, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let ilse: Page;
let tomas: Page;
test.beforeAll(async ({ browser }) => {
  ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
  tomas = await tablet(browser, B, 'Tomas Vey', '1357');
});

const noise = (page: Page) => page.getByRole('region', { name: 'The noise' });

test(
  'a noise is hunted to its cause, its trail stays for the next person, and it leads to the work',
  { tag: '@long' },
  async () => {
    const number = await takenIn('steel-acoustic', 'Rattler');
    await go(ilse, `/job/${number}/plan#noise`);
    await noise(ilse).getByLabel('At most, minutes').fill('3');
    await noise(ilse).getByRole('button', { name: 'Begin the hunt' }).click();
    await expect(noise(ilse)).toContainText('Whole minutes, 5 to 600');
    await noise(ilse).getByLabel('At most, minutes').fill('60');
    await noise(ilse).getByRole('button', { name: 'Begin the hunt' }).click();
    await expect(noise(ilse)).toContainText('About 0 of 60 min, not agreed with the customer.');
    const next = noise(ilse).getByRole('region', { name: 'Next' });
    await expect(next).toContainText('It tells most for its time.');
    await next.getByLabel('Or try').click();
    await ilse.getByRole('option', { name: 'Chart where it appears' }).click();
    await next.getByLabel('What else was seen or heard').fill('the open A, and A on the low E');
    await next.getByRole('button', { name: 'at one pitch, whatever string' }).click();
    await expect(noise(ilse).getByRole('region', { name: 'What was tried' })).toContainText(
      'the open A, and A',
    );
    // A colleague who comes to it sees what was tried and goes on.
    await go(tomas, `/job/${number}/plan#noise`);
    const his = noise(tomas).getByRole('region', { name: 'Next' });
    await his.getByLabel('Or try').click();
    await tomas.getByRole('option', { name: 'Hold each tuner' }).click();
    await his.getByRole('button', { name: 'it stops' }).click();
    const causes = noise(ilse).getByRole('region', { name: 'What it may be' });
    await expect(causes.getByRole('listitem').first()).toContainText('a tuner, its bush', BY_ITSELF);
    await accessible(ilse, 'a hunt');
    await causes.getByRole('button', { name: /^Found: a tuner/ }).click();
    const was = noise(ilse).getByRole('region', { name: 'What it was' });
    await expect(was).toContainText('Found: a tuner, its bush, screw or button');
    const first = was.getByRole('button').first();
    await first.click();
    await expect(first).toContainText('on the order');
    await expect(noise(tomas)).toContainText('Found: a tuner', BY_ITSELF);
    await go(ilse, `/job/${number}/history`);
    await expect(ilse.locator('#main')).toContainText('tried on the noise: hold each tuner: it stops');
    await expect(ilse.locator('#main')).toContainText('found the noise: a tuner, its bush, screw or button');
  },
);
