import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type Browser, type Page } from '@playwright/test';
import { CHROMIUM_ARGS } from '../../cli/base/browser.ts';
import { earPlan } from '../../src/core/ear/ear-plan.ts';
import { playedRound, soundOf, type Played } from '../../src/core/ear/play-for-tests.ts';
import { usualConstruction } from '../../src/core/instrument/defaults.ts';
import type { Kind } from '../../src/core/instrument/kinds.ts';
import { LONG } from '../../src/runs-for-tests.ts';
import { wavOf } from '../../src/core/sound/pluck-for-tests.ts';
import { A, accessible, BY_ITSELF, go, tablet, test } from './shop.ts';
import { takenIn, type Typed } from './taken-in.ts';

const folder = mkdtempSync(join(tmpdir(), 'rubrica-ear-'));
/** A round is heard as it is played; a slow machine hears it a second time. */
const HEARD = { timeout: 400_000 };
/** How near it is, the core's own tests say; a machine that loses moments of sound is let some room. Cents. */
const MOST_OFF = 1.5;
const RATE = 44_100;

/** What a tech plays who plucks once more than is needed: what a slow machine lost is heard all the same. */
function played(kind: Kind, only: readonly number[] | null, fretted: readonly number[]): Played[] {
  const plan = earPlan(usualConstruction(kind), {
    tuning: '',
    pitch: 440,
    method: 'open',
    firstString: 'lowest',
    tune: true,
    nut: false,
    only,
  });
  const round = playedRound(plan, { tuned: plan.strings.map((_, i) => 0.6 - 0.3 * (i % 4)), fretted });
  return round.flatMap((p, i) => (i % 2 === 0 ? [p] : [p, p]));
}

function wav(name: string, all: readonly Played[]): string {
  const path = join(folder, `${name}.wav`);
  const sound = soundOf(all, RATE, 2e-5, 1.25);
  writeFileSync(path, wavOf(sound, { kind: 'pcm', bits: 16, channels: 1 }));
  return path;
}

/** A tablet whose microphone hears a file, again and again; without one it has no microphone. */
async function hearing(file: string | null, allowed = true): Promise<{ browser: Browser; page: Page }> {
  const fake =
    file === null ? [] : ['--use-fake-device-for-media-stream', `--use-file-for-fake-audio-capture=${file}`];
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [...CHROMIUM_ARGS, ...fake],
  });
  const page = await tablet(browser, A, 'Ilse Marrow', '2468');
  if (allowed) await page.context().grantPermissions(['microphone'], { origin: A });
  return { browser, page };
}

const panel = (page: Page) => page.getByRole('region', { name: 'Listen' });
const field = (page: Page, string: number) => page.locator(`[id="station-intonation:${string}:12"]`);

async function begin(page: Page, which = 'all strings'): Promise<void> {
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  await panel(page).getByLabel('Which').selectOption({ label: which });
  await panel(page).getByLabel('Keep the plucks with the readings').check();
  await panel(page).getByRole('button', { name: 'Listen by the microphone' }).click();
}

/** Keeps every line the panel shows from now on: what stands there for a second is not missed by a slow machine. */
const keepWhatIsSaid = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const said = new Set<string>();
    Object.assign(window, { saidByListen: said });
    new MutationObserver(() => {
      for (const p of document.querySelectorAll('[aria-label="Listen"] p')) said.add(p.textContent ?? '');
    }).observe(document.body, { subtree: true, childList: true, characterData: true });
  });

const whatWasSaid = (page: Page): Promise<string> =>
  page.evaluate(() => [...((window as { saidByListen?: Set<string> }).saidByListen ?? [])].join('\n'));

/** What stands in a string's field, once the house has it. */
const standsNear = (page: Page, string: number, truth: number): Promise<void> =>
  expect
    .poll(async () => {
      const text = await field(page, string).inputValue();
      return Math.abs(Number(text.replace('\u2212', '-').replace(' c', '')) - truth);
    }, BY_ITSELF)
    .toBeLessThan(MOST_OFF);

/** What was heard can be heard again beside its reading, also after a reload, and at hand-over beside what is left. */
async function heardAgain(
  page: Page,
  strings: number,
  truth: readonly [string: number, cents: number],
): Promise<void> {
  await field(page, strings).focus();
  await expect(page.locator('#sheet-says')).toContainText('fretted 12th against the open string, ear.');
  const asked = page.waitForResponse((r) => r.url().includes('/api/sound/'));
  await page.locator('#sheet-says').getByRole('button', { name: 'Hear the pluck' }).click();
  const sound = await asked;
  expect([sound.status(), sound.headers()['content-type']]).toEqual([200, 'audio/wav']);
  await page.reload();
  await standsNear(page, ...truth);
  await go(page, `${new URL(page.url()).pathname.replace('readings', 'hand-over')}`);
  await page.getByRole('radio', { name: 'Before and after, in bench units' }).click();
  const both = page.getByRole('region', { name: 'Hear before and after' });
  await expect(both.getByRole('listitem')).toHaveCount(strings);
  await expect(both.getByRole('listitem').first()).toContainText('as found: clear (0.0');
  const before = page.waitForResponse((r) => r.url().includes('/api/sound/'));
  await both.getByRole('button', { name: 'As found' }).first().click();
  expect((await before).status()).toBe(200);
}

test(
  'a whole six-string by ear: a wrong string and a door count nothing, every field is filled, no hand touches the screen',
  { tag: '@long' },
  async () => {
    const fretted = [3, -2, 1.5, 0, 5, -4];
    const { browser, page } = await hearing(
      wav('six', [
        { hz: 146.83 },
        { door: true },
        { hz: 146.83 },
        { door: true },
        ...played('steel-acoustic', null, fretted),
      ]),
    );
    await go(page, `/job/${await takenIn('steel-acoustic', 'Sounding')}/readings`);
    await keepWhatIsSaid(page);
    await begin(page);
    await expect(panel(page)).toContainText('Every string was heard.', HEARD);
    const said = await whatWasSaid(page);
    expect(said).toContain('String 6 E: pluck it open and tune it');
    expect(said).toContain('That was string 4 D, open.');
    for (const [i, truth] of fretted.entries()) await standsNear(page, 6 - i, truth);
    await heardAgain(page, 6, [2, 5]);
    await browser.close();
  },
);

test(
  'a noise before a try and with it: the ear says what the try did, and how much it buzzed stays with it',
  { tag: '@long' },
  async ({ browser }) => {
    const page = await tablet(browser, A, 'Ilse Marrow', '2468');
    await go(page, `/job/${await takenIn('steel-acoustic', 'Rattling')}/plan#noise`);
    const noise = page.getByRole('region', { name: 'The noise', exact: true });
    await noise.getByRole('button', { name: 'Begin the hunt' }).click();
    const next = noise.getByRole('region', { name: 'Next' });
    const to = async (what: string) => {
      await next.getByLabel('Or try').click();
      await page.getByRole('option', { name: what }).click();
    };
    await to('Hold each tuner');
    await next.getByRole('button', { name: 'Hear what it does' }).click();
    const ear = next.getByRole('region', { name: 'The noise by the ear' });
    await accessible(page, 'before a noise is heard');
    const [rattles, clear]: [Played, Played] = [{ hz: 110, buzzes: true }, { hz: 110 }];
    const file = ear.getByLabel('Or a WAV file of the same');
    await file.setInputFiles(wav('half', [clear, rattles]));
    await expect(ear).toContainText('It ended before both were heard.', HEARD);
    await file.setInputFiles(wav('tuner', [rattles, { door: true }, rattles, clear, clear]));
    await expect(next).toContainText(/By the ear: buzz 0\.\d\d before, 0\.\d\d with it: it stops/, HEARD);
    await next.getByRole('button', { name: 'it stops' }).click();
    const trail = noise.getByRole('region', { name: 'What was tried' });
    await expect(trail).toContainText(/Hold each tuner: it stops \(buzz 0\.\d\d before, 0\.0\d with it\)/);
    // The noise itself is known now: only the next try is heard.
    await to('Hold pins and buttons');
    await next.getByRole('button', { name: 'Hear what it does' }).click();
    await ear.getByLabel('Or a WAV file of the same').setInputFiles(wav('pins', [rattles, rattles]));
    await expect(next).toContainText('with it: it stays', HEARD);
    await page.reload();
    await expect(trail).toContainText('with it)');
  },
);

test.describe('one string of others by the microphone', () => {
  const cases = [
    ['the lowest of a bass', 'bass', 'string 4', 4],
    ['the octave of a pair', 'twelve-string', 'string 6a', 12],
    ['the highest-tuned fourth of a ukulele', 'ukulele', 'string 4', 4],
    ['the other of the pair', 'twelve-string', 'string 6b', 11],
  ] as const;
  // Each takes as long as it is played: how all of them are heard, the core's own tests say.
  for (const [name, kind, which, number] of LONG ? cases : cases.slice(0, 1))
    test(name, async () => {
      const { browser, page } = await hearing(wav(name, played(kind, [number], [2.5])));
      await go(page, `/job/${await takenIn(kind, `Sounding ${number}`)}/readings`);
      await begin(page, which);
      await expect(panel(page)).toContainText('Every string was heard.', HEARD);
      await standsNear(page, number, 2.5);
      await browser.close();
    });
});

test('a WAV file does the same; what is no sound is said at its field', async ({ browser }) => {
  const page = await tablet(browser, A, 'Ilse Marrow', '2468');
  await go(page, `/job/${await takenIn('ukulele', 'By file')}/readings`);
  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  const file = panel(page).getByLabel('Or a WAV file of the same');
  await file.setInputFiles({
    name: 'notes.wav',
    mimeType: 'audio/wav',
    buffer: Buffer.from('not a sound'),
  });
  await expect(panel(page).getByRole('alert')).toContainText('This is no WAV file.');
  await accessible(page, 'before listening');
  const fretted = [1, -3, 2, 6];
  await panel(page).getByLabel('Keep the plucks with the readings').check();
  await file.setInputFiles(wav('four', played('ukulele', null, fretted)));
  await expect(panel(page)).toContainText('Every string was heard.', HEARD);
  for (const [i, truth] of fretted.entries()) await standsNear(page, 4 - i, truth);
  await heardAgain(page, 4, [2, 2]);
});

test(
  'knocks on the body from a WAV file: its resonances, their picture and the notes they lie on',
  { tag: '@long' },
  async ({ browser }) => {
    const page = await tablet(browser, A, 'Ilse Marrow', '2468');
    await go(page, `/job/${await takenIn('steel-acoustic', 'Knocked')}/readings`);
    await page.getByRole('button', { name: 'Listen', exact: true }).click();
    await panel(page).getByRole('radio', { name: 'The body' }).click();
    const file = panel(page).getByLabel('Or a WAV file of the same');
    await file.setInputFiles(wav('none', [{ quiet: 2 }]));
    await expect(panel(page)).toContainText('No knock was heard.', HEARD);
    // A short dull tone at 104 Hz, three times: less than are awaited, and the file's end tells it.
    const tap: Played = { hz: 103.83, rings: 0.6, b: 0 };
    await file.setInputFiles(wav('body', [tap, tap, tap]));
    const list = panel(page).getByRole('list', { name: 'Resonances' });
    await expect(list.getByRole('listitem').first()).toContainText('Hz, near G#2', HEARD);
    await expect(list.getByRole('listitem').first()).toContainText('the note of 6 E at 4');
    await expect(panel(page)).toContainText('Resonances, from 3 knocks');
    await accessible(page, 'resonances of a body');
  },
);

test(
  'every place is played from a WAV file: what buzzes stands beside the readings and is named',
  { tag: '@long' },
  async ({ browser }) => {
    const page = await tablet(browser, A, 'Ilse Marrow', '2468');
    const readings: Typed[] = [
      ['relief', 0, 7, '0.2'],
      ['action', 6, 12, '2.6'],
      ['action', 1, 12, '2.1'],
      ['saddle-standout', 0, 0, '4'],
      ...[6, 5, 4, 3, 2, 1].map((n): Typed => ['nut-gap', n, 1, '0.15']),
    ];
    await go(page, `/job/${await takenIn('steel-acoustic', 'Everyplace', { readings })}/plan`);
    await page.getByRole('radio', { name: 'Try it' }).click();
    const heard = page.getByRole('region', { name: 'Played and heard' });
    await heard.getByRole('button', { name: 'Play every place' }).click();
    const places = page.getByRole('region', { name: 'Play every place' });
    await places.getByLabel('Which').selectOption({ label: 'string 6' });
    await places.getByRole('button', { name: /^Held up to fret/ }).click();
    await page.getByRole('option', { name: '4', exact: true }).click();
    await accessible(page, 'before every place is played');
    // One place is played twice, one out of turn, and a door falls shut.
    const at = (held: number, buzzes = false): Played => ({ hz: 82.407 * 2 ** (held / 12), buzzes });
    const all = [at(0), { door: true } as const, at(1), at(1), at(3, true), at(2), at(4)];
    await places.getByLabel('Or a WAV file of the same').setInputFiles(wav('places', all));
    await expect(places).toContainText('5 of 5 places were heard, 1 of them buzz.', HEARD);
    await expect(heard.getByRole('list', { name: 'Heard against the readings' })).toContainText(
      'String 6 buzzes held behind fret 4, and by the readings there is room: fret 4 stands high',
    );
    await accessible(page, 'heard beside the readings');
    await heard.getByText('5 places heard, one by one').click();
    await expect(heard.getByText(/^string 6 at 3: ◆ buzzes \((0\.[5-9]\d|1\.00)\)/)).toBeVisible();
    await expect(heard.getByText(/^string 6 at 1: clear \(0\.[0-4]\d\)/)).toBeVisible();
    await heard.getByRole('button', { name: 'Take back string 6 at 3' }).click();
    await expect(heard).toContainText('What is heard is what the readings say.');
    await page.reload();
    await page.getByRole('radio', { name: 'Try it' }).click();
    await expect(heard).toContainText('4 places heard, one by one');
  },
);

test('keys say again, skip and stop; what was not heard is named', { tag: '@long' }, async () => {
  const { browser, page } = await hearing(wav('quiet', [{ quiet: 4 }]));
  await go(page, `/job/${await takenIn('bass', 'Keys')}/readings`);
  await begin(page);
  await expect(panel(page)).toContainText('String 4 E: pluck it open and tune it');
  await accessible(page, 'listening');
  await page.keyboard.press('s');
  await expect(panel(page)).toContainText('String 4 E: pluck it open');
  await page.keyboard.press('PageDown');
  await expect(panel(page)).toContainText('String 3 A: pluck it open and tune it');
  await page.keyboard.press('a');
  await expect(panel(page)).toContainText('Once more.');
  await page.keyboard.press('Escape');
  await expect(panel(page)).toContainText('Stopped. Not heard through: 4 E, 3 A, 2 D, 1 G.');
  await browser.close();
});

test('a microphone that goes away, one that is not allowed, and none', { tag: '@long' }, async () => {
  const heard = await hearing(wav('gone', [{ quiet: 4 }]));
  await go(heard.page, `/job/${await takenIn('bass', 'Gone')}/readings`);
  await begin(heard.page);
  await expect(panel(heard.page)).toContainText('String 4 E');
  await heard.page.context().clearPermissions();
  await expect(panel(heard.page).getByRole('alert')).toContainText('The microphone went away.');
  await panel(heard.page).getByRole('button', { name: 'Listen by the microphone' }).click();
  await expect(panel(heard.page).getByRole('alert')).toContainText('was not allowed to hear');
  await heard.browser.close();
  const none = await hearing(null);
  await go(none.page, `/job/${await takenIn('bass', 'None')}/readings`);
  await begin(none.page);
  await expect(panel(none.page).getByRole('alert')).toContainText('This tablet has no microphone.');
  await none.browser.close();
});
