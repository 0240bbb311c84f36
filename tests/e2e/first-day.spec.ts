/** A shop of one's own, from an empty house on: in Auckland, in yen, on Letter paper, with its own kinds, people and list. */
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, type Page } from '@playwright/test';
import { A, accessible, B, BY_ITSELF, DATABASE, go, live, pairedTablet, signIn, test } from './shop.ts';
import { runRubrica } from '../integration/run-program.ts';

const PIN = process.env['RUBRICA_E2E_PIN'] ?? '';
const PINS = { Hana: '271828', Ko: '5309', Rui: '8642', Bea: '7913' } as const;

test.describe.configure({ mode: 'serial' });

/** The tablets of the shop: the owner's office, the counter, two benches. */
let hana: Page;
let ko: Page;
let rui: Page;
let bea: Page;
/** Jobs by what they are, as they got their numbers. */
const number: Record<string, string> = {};

test.beforeAll(async ({ browser }) => {
  ({ page: hana } = await pairedTablet(browser, A, 'Office'));
  ({ page: ko } = await pairedTablet(browser, A, 'Counter'));
  ({ page: rui } = await pairedTablet(browser, B, 'Bench 1'));
  ({ page: bea } = await pairedTablet(browser, B, 'Bench 2'));
});

const choose = async (page: Page, label: string, option: string | RegExp) => {
  await page.getByRole('button', { name: label, exact: true }).click();
  await page.getByRole('option', { name: option }).first().click();
};

/** Takes one in at the counter, with what is typed there, and answers its number. */
async function takeIn(
  page: Page,
  typed: Readonly<Record<string, string>>,
  kind: string | RegExp,
): Promise<string> {
  await go(page, '/desk/take-in');
  await choose(page, 'Kind', kind);
  for (const [label, text] of Object.entries(typed))
    await page.getByLabel(label, { exact: false }).first().fill(text);
  await page.getByRole('radio', { name: 'at pitch' }).click();
  await page.getByRole('button', { name: 'Take it in' }).click();
  await page.waitForURL(/\/job\/\d+\//);
  await live(page);
  return /\/job\/(\d+)/.exec(page.url())?.[1] ?? '';
}

const aucklandToday = (): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: 'Pacific/Auckland', dateStyle: 'long' }).format(new Date());

const payment = (page: Page) => page.getByRole('region', { name: 'Payment' });

/** Everything the bench check asks, ticked. */
async function tickAll(page: Page): Promise<void> {
  for (const box of await page.getByRole('region', { name: 'Bench check' }).getByRole('checkbox').all()) {
    await box.click();
    await expect(box).toBeChecked();
    await expect(box).toBeEnabled();
  }
}

test('the shop: its name, its money in yen, Auckland’s days, Letter, a tax; what is wrong is said at its field', async () => {
  await signIn(hana, 'Owner', PIN);
  await hana.waitForURL('**/rack');
  await go(hana, '/house/first-day');
  await accessible(hana, 'first day');
  await go(hana, '/house/shop');
  await hana.getByLabel('Name of the shop').fill('Slip Lane Fretworks');
  await hana.getByLabel('Address, a line each').fill('2 Slip Lane\nHarbourside');
  await hana.getByLabel('Time zone').fill('Pacific/Nowhere');
  await hana.getByLabel('Currency').fill('JPY');
  await hana.getByRole('radio', { name: 'Letter' }).click();
  await hana.getByRole('radio', { name: 'mm', exact: true }).click();
  await hana.getByLabel('Per cent').fill('10');
  await hana.getByRole('button', { name: 'Keep the shop' }).click();
  await expect(hana.locator('#main').getByRole('alert')).toContainText('time zone');
  await hana.getByLabel('Time zone').fill('Pacific/Auckland');
  await hana.getByRole('button', { name: 'Keep the shop' }).click();
  await expect(hana.locator('#main').getByRole('alert')).toHaveCount(0);
  await hana.reload();
  await expect(hana.getByLabel('Time zone')).toHaveValue('Pacific/Auckland');
  await accessible(hana, 'the shop');
});

test('hours: what is no hour is said, what is kept is said in one line, and a closed day is pointed out', async () => {
  await go(hana, '/house/hours');
  await hana.getByLabel('Monday').fill('nine to five');
  await expect(hana.locator('#main').getByRole('alert')).toContainText('Write hours like');
  await expect(hana.getByRole('button', { name: 'Keep the hours' })).toBeDisabled();
  for (const day of ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday'])
    await hana.getByLabel(day).fill('9–12:30, 13:30–18');
  await expect(hana.getByText('Open Mon–Fri 9:00–12:30, 13:30–18:00')).toBeVisible();
  await hana.getByRole('button', { name: 'Closed on more days' }).click();
  await hana.getByLabel('From').fill('2031-12-24');
  await hana.getByLabel('To, with that day').fill('2032-01-02');
  await hana.getByLabel('Why').fill('the turn of the year');
  await accessible(hana, 'opening hours');
  const kept = hana.waitForResponse((r) => r.url().endsWith('/api/command') && r.ok());
  await hana.getByRole('button', { name: 'Keep the hours' }).click();
  await kept;
  await hana.reload();
  await expect(hana.getByLabel('Why')).toHaveValue('the turn of the year');
  await go(hana, '/desk/take-in');
  await hana.getByLabel('Needed by').fill('2031-12-26');
  await expect(hana.getByText(/The shop is closed then \(the turn of the year\)/)).toBeVisible();
});

test('people: the owner under their own name, two technicians, one with hours of their own, and a desk', async () => {
  await go(hana, '/house/people');
  await hana.getByRole('button', { name: 'Change Owner' }).click();
  const owner = hana.getByRole('form', { name: 'Owner' });
  await owner.getByLabel('Name').fill('Hana Moss');
  await owner.getByRole('button', { name: 'Keep' }).click();
  await expect(hana.getByRole('row', { name: /Hana Moss/ })).toBeVisible();
  const add = async (name: string, pin: string, role: RegExp, own = false) => {
    await hana.getByRole('button', { name: 'Add somebody' }).click();
    const form = hana.getByRole('form', { name: 'Somebody new' });
    await form.getByLabel('Name').fill(name);
    await choose(hana, 'Role', role);
    await form.getByLabel('Their first PIN').fill(pin);
    if (own) {
      await form.getByRole('radio', { name: 'at their own hours' }).click();
      await form.getByLabel('Monday').fill('');
    }
    await form.getByRole('button', { name: 'Add to the shop' }).click();
    await expect(hana.getByRole('row', { name: new RegExp(name) })).toBeVisible();
  };
  await add('Ko Arden', PINS.Ko, /^desk/);
  await add('Rui Tamm', PINS.Rui, /^technician/);
  await add('Bea Holt', PINS.Bea, /^technician/, true);
  await expect(hana.getByRole('row', { name: /Bea Holt/ })).toContainText('Tue–Fri 9:00–12:30, 13:30–18:00');
  for (const [page, who, pin] of [
    [ko, 'Ko Arden', PINS.Ko],
    [rui, 'Rui Tamm', PINS.Rui],
    [bea, 'Bea Holt', PINS.Bea],
  ] as const) {
    await page.goto('/sign-in');
    await signIn(page, who, pin);
    await page.waitForURL('**/rack');
  }
});

test('a kind of its own, with eight strings in pairs and targets of its own', { tag: '@long' }, async () => {
  await go(hana, '/house/kinds');
  await hana.getByRole('button', { name: 'Add a kind' }).click();
  const form = hana.getByRole('region', { name: 'A new kind' });
  await form.getByLabel('Name of the kind').fill('Octave lark');
  await form.getByLabel('Scale').fill('530');
  await form
    .getByLabel(/^Strings, lowest first/)
    .fill('G2 .046w, G2 .046w, D3 .034w, D3 .034w, A3 .022w, A3 .022w, E4 .012, E4 .012');
  await form.getByLabel(/pairs|course/i).check();
  await form.getByRole('button', { name: 'Keep this kind' }).click();
  await expect(hana.getByText(/8 strings, 530.0 mm/)).toBeVisible();
  await go(hana, '/house/targets');
  await hana.getByLabel('Kind of instrument').selectOption({ label: 'Octave lark' });
  await hana.getByLabel('Action 12, bass: high').fill('1.2 mm');
  await expect(hana.locator('#main')).toContainText('low ≤ aim ≤ high');
  for (const [end, mm] of [
    ['low', '1.2'],
    ['aim', '1.4'],
    ['high', '1.6'],
  ] as const)
    await hana.getByLabel(`Action 12, bass: ${end}`).fill(`${mm} mm`);
  await hana.getByLabel('What changed, in words').fill('the lark’s own');
  await hana.getByRole('button', { name: /^Keep/ }).click();
  await accessible(hana, 'targets of a kind of one’s own');
});

test(
  'the book: of a list five rows do not fit, with why; the others are taken',
  { tag: '@long' },
  async () => {
    await go(hana, '/shelf/exchange');
    const rows = [
      'Name,Telephone,E-mail,Model,Kind,Scale',
      'Lina Farrow,555 0144,lina@farrow.example,Lark,Octave lark,530',
      ',555 0145,,Lark,,',
      'Odo Pell,by post,,,,',
      'Tam Orr,,,Reed,Harp,',
      'Ada Vance,555 0146,ada at home,,,',
      'Ben Crowe,555 0147,,Plank,Ukulele,25.5',
      'Mia Stroud,555 0148,,Tern,Ukulele,382',
    ];
    await hana.getByLabel(/A list as CSV, with its columns/).setInputFiles({
      name: 'book.csv',
      mimeType: 'text/csv',
      buffer: Buffer.from(rows.join('\n')),
    });
    await expect(hana.getByText('Of 7 rows 2 fit: 2 customers, 2 instruments.')).toBeVisible();
    for (const line of [3, 4, 5, 6, 7])
      await expect(hana.getByText(new RegExp(`line ${line}:`))).toBeVisible();
    await hana.getByRole('button', { name: 'Write what fits into the book' }).click();
    await expect(hana.getByText('2 customers and 2 instruments written.')).toBeVisible();
  },
);

test(
  'a seven-string in a dropped tuning, a bass whose frets fan out, and one of the shop’s own kind',
  { tag: '@long' },
  async () => {
    number['seven'] = await takeIn(
      ko,
      {
        'Name, telephone': 'Petra Aldous',
        'What brings it here': 'Flabby low string.',
        Model: 'Rook Seven',
        Tuning: 'A E A D G B E',
      },
      /solid/i,
    );
    await expect(ko.locator('header')).toContainText('A E A D G B E');
    number['fan'] = await takeIn(
      ko,
      {
        'Name, telephone': 'Jonah Petrel',
        'What brings it here': 'Buzzes low down.',
        Model: 'Slantwise Five',
        Scale: '35–33 in at 7',
        Tuning: 'B E A D G',
      },
      /^Bass/,
    );
    await expect(ko.getByText('889.0 to 838.2 mm, straight at fret 7')).toBeVisible();
    number['lark'] = await takeIn(
      ko,
      {
        'Name, telephone': 'Saskia Dunmore',
        'What brings it here': 'Set it up.',
        Model: 'Lark',
      },
      /Octave lark/,
    );
    await go(rui, `/job/${number['lark']}/readings`);
    await expect(rui.getByText('4a').first()).toBeVisible();
    await go(rui, `/job/${number['fan']}/readings`);
    for (const [label, text] of [
      ['Relief', '0.3'],
      ['Action 12, string 5', '3.2'],
      ['Action 12, string 1', '2.6'],
    ] as const) {
      const field = rui.getByRole('textbox', { name: new RegExp(`^${label}`) }).first();
      await field.fill(text);
      await field.press('Enter');
    }
    await accessible(rui, 'readings where frets fan out');
    await go(rui, `/job/${number['fan']}/plan`);
    await expect(rui.locator('#main')).toContainText(/[Ss]addle/);
    // What the house draws by itself goes by the shop's days, too.
    await go(rui, `/job/${number['fan']}/arrival`);
    await rui.getByRole('link', { name: 'Jonah Petrel' }).click();
    await expect(rui.locator('#main')).toContainText(`known since ${aucklandToday()}`);
  },
);

test('a deposit, a part, and what is given back, in whole yen', { tag: '@long' }, async () => {
  await go(ko, `/job/${number['lark']}/hand-over`);
  const pay = payment(ko);
  await pay.getByLabel('Amount').fill('100.50');
  await pay.getByRole('radio', { name: 'Cash' }).click();
  await expect(pay.getByRole('alert')).toBeVisible();
  await expect(pay.getByRole('button', { name: 'Write it down' })).toBeDisabled();
  await pay.getByLabel('Amount').fill('2000');
  await pay.getByRole('button', { name: 'Write it down' }).click();
  await expect(pay).toContainText(/Deposit (?:JP)?¥2,000, cash/);
  await pay.getByRole('radio', { name: 'Payment' }).click();
  await pay.getByLabel('Amount').fill('1500');
  await pay.getByRole('button', { name: 'Write it down' }).click();
  await expect(pay).toContainText(/Payment (?:JP)?¥1,500/);
  await pay.getByRole('radio', { name: 'Given back' }).click();
  await expect(pay.getByLabel('Amount')).toHaveValue(/^3,?500$/);
  await pay.getByRole('button', { name: 'Write it down' }).click();
  await expect(pay).toContainText('Nothing is to pay.');
});

test(
  'taken in for the wrong customer: put right, with why, and the history says so',
  { tag: '@long' },
  async () => {
    await go(ko, `/job/${number['seven']}/arrival`);
    await ko.getByRole('button', { name: 'another customer' }).click();
    const dialog = ko.getByRole('dialog');
    await dialog.getByLabel(/Name/).first().fill('Casimir Bloom');
    await dialog.getByLabel('Why it is changed').fill('misheard on the telephone');
    await dialog.getByRole('button', { name: 'Keep' }).click();
    await expect(ko.locator('header')).toContainText('Casimir Bloom');
    await go(ko, `/job/${number['seven']}/history`);
    await expect(ko.getByRole('table')).toContainText('Casimir Bloom');
  },
);

test('one goes home as it is, and its sheet says so; one is called off', { tag: '@long' }, async () => {
  await go(ko, `/job/${number['lark']}/hand-over`);
  await ko.getByRole('radio', { name: 'Goes home as it is' }).click();
  const why = ko.getByLabel('Why it goes home as it is, as the customer reads it');
  await why.fill('It waits for another saddle.');
  await why.blur();
  await expect(ko.getByRole('article', { name: 'The customer’s sheet' })).toContainText(
    'No setup was made: it goes home as it is. It waits for another saddle.',
  );
  await tickAll(ko);
  await ko.getByLabel('Signs by name, without drawing').check();
  await ko.getByRole('button', { name: 'Sign and close' }).click();
  await expect(ko.getByText('Signed and sealed')).toBeVisible();
  await go(ko, `/job/${number['seven']}/hand-over`);
  await ko.getByRole('button', { name: /It ends without a signature/ }).click();
  const form = ko.getByRole('form', { name: 'It ends without a signature' });
  await form.getByLabel('Who said so, and why').fill('Casimir, at the counter: it is sold.');
  await form.getByRole('button', { name: 'End the job without a signature' }).click();
  await expect(ko.getByRole('heading', { name: 'Called off' })).toBeVisible();
});

test('new stock is looked at, hangs on the floor, and is sold', { tag: '@long' }, async () => {
  number['stock'] = await takeIn(
    ko,
    { 'Name, telephone': 'Slip Lane Fretworks', 'What brings it here': 'New stock.', Model: 'Tern' },
    /Ukulele/,
  );
  await go(rui, `/job/${number['stock']}/inspection`);
  const finish = rui.getByRole('button', { name: /still open|Finish the inspection/ });
  await expect(finish).toContainText('still open');
  const usual = (await finish.textContent()) ?? '';
  await rui.getByRole('radio', { name: 'New stock for the floor' }).click();
  // Another list asks another number of things: what is answered before it is there would be of the usual one.
  await expect(finish).not.toHaveText(usual);
  for (let n = 0; n < 90; n++) {
    const before = (await finish.textContent()) ?? '';
    if (!before.includes('still open')) break;
    await rui.keyboard.press('f');
    await expect(finish)
      .not.toHaveText(before, { timeout: 8000 })
      .catch(() => rui.keyboard.press('ArrowDown'));
  }
  await rui.getByRole('radio', { name: 'ready for the floor' }).click();
  await finish.click();
  await expect(rui.getByText(/Finished by Rui Tamm/)).toBeVisible();
  await go(ko, `/job/${number['stock']}/hand-over`);
  const form = ko.getByRole('form', { name: 'It ends without a signature' });
  await form.getByRole('textbox').fill('Hangs in the window.');
  await form.getByRole('button', { name: 'End the job without a signature' }).click();
  await go(ko, '/shelf?floor=1');
  await ko.getByRole('link', { name: /Tern/ }).first().click();
  await live(ko);
  const sold = ko.getByRole('form', { name: 'Sold' });
  await sold.getByLabel(/Name/).first().fill('Mirela Osk');
  await sold.getByRole('button', { name: 'Sold: it is theirs' }).click();
  await expect(ko.getByRole('heading', { name: /On the floor/ })).toHaveCount(0);
  await expect(ko.locator('#main')).toContainText('Mirela Osk');
});

test(
  'a technician leaves, a tablet is sent away while it is used, and both are out at once',
  { tag: '@long' },
  async () => {
    await go(bea, '/rack');
    await go(hana, '/house/people');
    await hana.getByRole('button', { name: 'Change Bea Holt' }).click();
    await hana.getByRole('button', { name: 'They have left the shop' }).click();
    await bea.waitForURL('**/sign-in', BY_ITSELF);
    await expect(bea.getByRole('button', { name: /Bea Holt/ })).toHaveCount(0);
    await go(rui, `/job/${number['fan']}/work`);
    await go(hana, '/house/devices');
    const row = hana.getByRole('listitem').filter({ hasText: 'Bench 1' });
    await row.getByRole('button', { name: /^Send away/ }).click();
    await row.getByRole('button', { name: /^Yes/ }).click();
    await rui.waitForURL(/\/(sign-in|pair)/, BY_ITSELF);
  },
);

test(
  'an owner who forgot their PIN gets another at the machine, and only that one opens',
  { tag: '@long' },
  async () => {
    // The machine itself: where the house's secret lies.
    const home = await mkdtemp(join(tmpdir(), 'rubrica-'));
    await writeFile(join(home, 'secret'), process.env['RUBRICA_SECRET'] ?? '');
    const given = await runRubrica(['pin', 'Hana Moss'], {
      input: `${PINS.Hana}\n`,
      env: { ...process.env, RUBRICA_DATABASE_URL: DATABASE, RUBRICA_HOME: home },
    });
    expect(given.stderr + given.stdout).toContain('has the new PIN');
    // Whoever was signed in is out at once.
    await hana.waitForURL(/sign-in/, BY_ITSELF);
    await signIn(hana, 'Hana Moss', PIN);
    await expect(hana.getByRole('alert').first()).toContainText('PIN');
    await hana.getByLabel(/^PIN/).fill(PINS.Hana);
    await hana.getByRole('button', { name: 'Sign in' }).click();
    // Back to where they were.
    await hana.waitForURL(/\/house\/devices/);
    await go(hana, '/house/keeping');
    await accessible(hana, 'what is kept');
  },
);
