import { expect, type Page } from '@playwright/test';
import { A, accessible, go, tablet, test } from './shop.ts';
import { takenIn } from './taken-in.ts';

let odile: Page;

test.beforeAll(async ({ browser }) => {
  odile = await tablet(browser, A, 'Odile Farrant', '480216');
});

test('the order of the work is changed by keys and by drag, within what needs what', async () => {
  const number = await takenIn('steel-acoustic', 'In order', { work: ['rod', 'saddle-lower', 'clean-body'] });
  await go(odile, `/job/${number}/work`);
  const order = odile.getByRole('list', { name: 'Steps in their order' });
  const titles = () => order.getByRole('heading', { level: 3 }).allTextContents();
  const first = async (title: string) => expect.poll(async () => (await titles())[0]).toContain(title);
  await first('Adjust the truss rod');
  await expect(odile.getByRole('button', { name: 'Lower the saddle earlier' })).toHaveCount(1);
  await expect(odile.getByRole('button', { name: 'Lower the saddle earlier' })).toBeDisabled();
  const earlier = odile.getByRole('button', { name: 'Wipe the body down earlier' });
  await earlier.press('Enter');
  await expect.poll(async () => (await titles())[1]).toContain('Wipe the body down');
  await expect(earlier).toBeEnabled();
  await earlier.press('Enter');
  await first('Wipe the body down');
  await accessible(odile, 'the order');
  const handle = odile.getByRole('button', { name: 'Move Wipe the body down' });
  const from = (await handle.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const last = (await order.getByRole('listitem').last().boundingBox()) ?? from;
  await odile.mouse.move(from.x + 10, from.y + 20);
  await odile.mouse.down();
  await odile.mouse.move(from.x + 10, from.y + 60, { steps: 4 });
  await odile.mouse.move(from.x + 10, last.y + last.height, { steps: 10 });
  await odile.mouse.up();
  await first('Adjust the truss rod');
  await expect.poll(async () => (await titles()).at(-1)).toContain('Wipe the body down');
  await odile.reload();
  await expect.poll(async () => (await titles()).at(-1)).toContain('Wipe the body down');
});

test(
  'a clock is put right with its reason; a wrong number is said at its field',
  { tag: '@long' },
  async () => {
    const number = await takenIn('ukulele', 'Clock', { work: ['clean-body'] });
    await go(odile, `/job/${number}/work`);
    await odile.getByRole('button', { name: 'Start: Wipe the body down' }).click();
    await go(odile, '/bench');
    await expect(odile.getByRole('region', { name: 'Now' })).toContainText('Wipe the body down');
    await odile.getByRole('button', { name: 'Put the clock right' }).click();
    await odile.getByLabel(/^Minutes, from/).fill('ten');
    await expect(odile.getByText('Whole minutes')).toBeVisible();
    await odile.getByLabel(/^Minutes, from/).fill('900');
    await odile.getByLabel('Why', { exact: true }).fill('forgot it');
    await odile.getByRole('button', { name: 'Put it right' }).click();
    await expect(odile.getByText(/it cannot have been more/)).toBeVisible();
    await odile.getByLabel(/^Minutes, from/).fill('0');
    await odile.getByRole('button', { name: 'Put it right' }).click();
    await expect(odile.getByText(/Clock put right: Odile Farrant, forgot it/)).toBeVisible();
  },
);

test(
  'House: how the shop hands over, and the outbox of the simulated gateway',
  { tag: '@long' },
  async ({ browser }) => {
    const ilse = await tablet(browser, A, 'Ilse Marrow', '2468');
    await go(ilse, '/house/hand-over');
    await accessible(ilse, 'handing over');
    await ilse.getByLabel(/Weeks until the next check/).fill('9');
    await ilse.getByRole('button', { name: 'Keep the rules' }).click();
    await expect(ilse.getByText('Two to four weeks')).toBeVisible();
    await ilse.getByLabel(/Weeks until the next check/).fill('2');
    await ilse.getByRole('button', { name: 'Keep the rules' }).click();
    await expect(ilse.getByText('Two to four weeks')).toHaveCount(0);
    await ilse.reload();
    await expect(ilse.getByLabel(/Weeks until the next check/)).toHaveValue('2');
    await ilse.getByLabel(/Weeks until the next check/).fill('3');
    await ilse.getByRole('button', { name: 'Keep the rules' }).click();
    await go(ilse, '/house/messages');
    await accessible(ilse, 'messages');
    await expect(ilse.getByText('a simulated gateway: nothing leaves the house')).toBeVisible();
    await ilse.getByText('the check after it has settled').first().click();
    await expect(ilse.getByText('BEGIN:VEVENT').first()).toBeVisible();
  },
);
