import { createHmac } from 'node:crypto';
import { createServer, type IncomingMessage } from 'node:http';
import type { AddressInfo } from 'node:net';
import { SMTPServer } from 'smtp-server';
import { messageSettingsSchema } from '../../src/contracts/message-settings.ts';
import { jobOfSheetLink } from '../../src/server/customer/sheet-link.ts';
import { openText, sealText } from '../../src/server/keep/sealed-text.ts';
import { deliverDue } from '../../src/server/messages/deliver.ts';
import { loadMessages } from '../../src/server/messages/settings.ts';
import { tryMessage } from '../../src/server/messages/try-message.ts';
import { openDatabase } from '../../src/server/db/connection.ts';
import { NO_HOURS } from '../../src/core/days/opening.ts';
import { loadJob } from '../../src/server/leaves/load-job.ts';
import { intake, unsaid, value } from './house.ts';
import { workingHouse } from './working-house.ts';

let house: Awaited<ReturnType<typeof workingHouse>>;

/** A mail server on loopback that takes, refuses or says "later", and keeps what it took. */
const taken: { readonly to: string; readonly text: string }[] = [];
let answers: 'take' | 'later' | 'refuse' = 'take';
const smtp = new SMTPServer({
  authOptional: true,
  disabledCommands: ['STARTTLS'],
  onAuth: ({ username, password }, _session, done) =>
    password === 'open sesame' ? done(null, { user: username }) : done(new Error('no')),
  onData: (stream, session, done) => {
    let text = '';
    stream.on('data', (piece: Buffer) => (text += piece.toString('utf8')));
    stream.on('end', () => {
      if (answers === 'take') {
        taken.push({ to: session.envelope.rcptTo.map((r) => r.address).join(), text });
        return done();
      }
      const error = Object.assign(new Error(answers === 'later' ? 'come again' : 'no such box'), {
        responseCode: answers === 'later' ? 451 : 550,
      });
      return done(error);
    });
  },
});

/** A text service on loopback: what it was asked, and what it answers next. */
const asked: { readonly headers: IncomingMessage['headers']; readonly body: string }[] = [];
let status = 204;
const texts = createServer((request, response) => {
  let body = '';
  request.on('data', (piece: Buffer) => (body += piece.toString('utf8')));
  request.on('end', () => {
    asked.push({ headers: request.headers, body });
    response.writeHead(status).end();
  });
});

const listening = (server: { listen: (port: number, host: string, done: () => void) => unknown }) =>
  new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
const portOf = (server: { address: () => unknown }): number => (server.address() as AddressInfo).port;

beforeAll(async () => {
  house = await workingHouse('messages');
  await Promise.all([listening(smtp), listening(texts)]);
});
afterAll(async () => {
  await house.db.sequelize.close();
  await Promise.all([new Promise<void>((d) => smtp.close(d)), new Promise((d) => texts.close(d))]);
});

const keep = async (more: object, secrets: object = {}, who = house.lead) => {
  const { messages, version } = await loadMessages(house.db);
  return house.give(who, 'house.save-messages', {
    version,
    messages: { ...messages, ...more },
    secrets,
  } as never);
};
const overLoopback = (port: number) => ({
  mail: {
    how: 'smtp',
    host: '127.0.0.1',
    port,
    security: 'none',
    user: 'bench',
    from: 'bench@shop.example',
  },
  text: { how: 'webhook', url: `http://127.0.0.1:${portOf(texts)}/send` },
  publicUrl: 'https://shop.example/',
});
const reached = { customer: { name: 'Wren Hollis', phone: '555 0133', email: 'wren@example.invalid' } };
const write = async (jobId: number, channel: 'mail' | 'text') =>
  value(await house.give(house.desk, 'desk.message', { jobId, purpose: 'ready', channel })).messageId;
const row = async (id: number) => {
  const found = await house.db.models.MessageRow.findByPk(id);
  if (!found) throw new Error('no message');
  return found;
};
const later = (minutes: number) => new Date(Date.now() + minutes * 60_000);

test('what is kept: wrong settings are said at their fields; a password is sealed, and shown to nobody', async () => {
  expect(await keep({ mail: { how: 'smtp' } })).toMatchObject({
    error: { fields: { 'messages.mail.host': expect.any(String) as string } },
  });
  const open = { how: 'smtp', host: 'mail.example', from: 'a@b.example', user: 'u', security: 'none' };
  expect(await keep({ mail: open })).toMatchObject({
    error: { fields: { 'messages.mail.security': expect.stringContaining('unsealed') as string } },
  });
  expect(await keep({}, {}, house.technician)).toMatchObject({ error: { code: 'not-allowed' } });
  const { templates } = messageSettingsSchema.parse({});
  const without = { ...templates, ready: { subject: 'x', body: '{customer}, come' } };
  expect(await keep({ templates: without })).toMatchObject({
    error: { fields: { 'messages.templates.ready.body': expect.stringContaining('{link}') as string } },
  });
  value(await keep(overLoopback(portOf(smtp.server)), { password: 'open sesame', webhookKey: 'a key' }));
  const shown = await loadMessages(house.db);
  expect(shown).toMatchObject({ has: { password: true, webhookKey: true }, address: 'https://shop.example' });
  const all = JSON.stringify([
    shown,
    await house.db.models.Setting.findAll(),
    await house.db.models.EventRow.findAll({ where: { jobId: null } }),
    await house.db.models.CommandRow.findAll(),
  ]);
  expect(all).not.toContain('open sesame');
  expect(all).not.toContain('a key');
});

test('sealed texts open in this house alone, and a changed one opens nothing', () => {
  const sealed = sealText('über');
  expect(openText(sealed)).toBe('über');
  expect(openText(`${sealed.slice(0, -4)}AAAA`)).toBeNull();
  expect(openText('')).toBeNull();
});

test('an e-mail leaves by the server, once, with its link, its calendar entry and its own id', async () => {
  const job = await house.jobWith(['clean-body'], reached);
  const id = await write(job.jobId, 'mail');
  const went = await Promise.all([1, 2, 3].map(() => deliverDue(house.db, later(1))));
  expect(went.reduce((a, b) => a + b, 0)).toBe(1);
  expect(taken).toHaveLength(1);
  expect(taken[0]?.to).toBe('wren@example.invalid');
  const text = taken[0]?.text.replace(/=\r\n/g, '') ?? '';
  expect(text).toContain(`<message-${id}@shop.example>`);
  const token = /https:\/\/shop\.example\/sheet\/([\w-]{43})/.exec(text.replace(/=3D/g, '='))?.[1] ?? '';
  expect((await jobOfSheetLink(house.db, token, new Date()))?.number).toBe(job.number);
  expect(await row(id)).toMatchObject({ state: 'delivered', wentBy: 'smtp', body: '', trouble: '' });
});

test('a server that says “later” is asked again after growing pauses; one that refuses is not', async () => {
  const job = await house.jobWith([], reached);
  const id = await write(job.jobId, 'mail');
  answers = 'later';
  await deliverDue(house.db, later(1));
  expect(await row(id)).toMatchObject({
    state: 'waiting',
    tries: 1,
    trouble: expect.stringContaining('come again') as string,
  });
  // It rests: asked again at once nothing goes.
  expect(await deliverDue(house.db, later(1))).toBe(0);
  answers = 'take';
  expect(await deliverDue(house.db, later(3))).toBe(1);
  expect(await row(id)).toMatchObject({ state: 'delivered', tries: 2 });
  answers = 'refuse';
  const other = await write(job.jobId, 'mail');
  await deliverDue(house.db, later(1));
  expect(await row(other)).toMatchObject({
    state: 'failed',
    tries: 1,
    trouble: expect.stringContaining('no such box') as string,
  });
  answers = 'take';
  value(await house.give(house.desk, 'desk.resend', { messageId: other }));
  await deliverDue(house.db, later(2));
  expect((await row(other)).state).toBe('delivered');
});

test('who died while sending holds a message for two minutes and no longer', async () => {
  const job = await house.jobWith([], reached);
  const id = await write(job.jobId, 'mail');
  await house.db.models.MessageRow.update(
    { claim: '00000000-0000-4000-8000-000000000000', claimedUntil: later(2) },
    { where: { id } },
  );
  expect(await deliverDue(house.db, later(1))).toBe(0);
  expect(await deliverDue(house.db, later(3))).toBe(1);
  expect((await row(id)).state).toBe('delivered');
});

test('a text goes signed to the service; what it answers decides whether it is asked again', async () => {
  const job = await house.jobWith([], reached);
  const id = await write(job.jobId, 'text');
  status = 503;
  await deliverDue(house.db, later(1));
  expect(await row(id)).toMatchObject({ state: 'waiting', tries: 1 });
  status = 204;
  await deliverDue(house.db, later(3));
  expect(await row(id)).toMatchObject({ state: 'delivered', wentBy: 'webhook' });
  expect(asked).toHaveLength(2);
  for (const { headers, body } of asked) {
    expect(headers['idempotency-key']).toBe(`message-${id}`);
    expect(headers['x-rubrica-signature']).toBe(
      `sha256=${createHmac('sha256', 'a key').update(body).digest('hex')}`,
    );
    expect(JSON.parse(body)).toMatchObject({ id, to: '555 0133' });
  }
  status = 400;
  const wrong = await write(job.jobId, 'text');
  await deliverDue(house.db, later(1));
  expect(await row(wrong)).toMatchObject({ state: 'failed', trouble: 'The text service answered 400.' });
  status = 204;
});

test('two processes at once: twelve messages, each sent once', async () => {
  const url = process.env['RUBRICA_TEST_SERVER'] ?? '';
  const other = openDatabase(url.replace('{database}', 'rubrica_messages'));
  const job = await house.jobWith([], reached);
  const before = taken.length;
  for (let i = 0; i < 12; i++) await write(job.jobId, 'mail');
  await Promise.all([house.db, other, house.db, other].map((db) => deliverDue(db, later(1))));
  await other.sequelize.close();
  expect(taken.length - before).toBe(12);
  const ids = taken.slice(before).map((m) => /<message-(\d+)@/.exec(m.text)?.[1]);
  expect(new Set(ids).size).toBe(12);
});

test('a wrong password is said so; a test message says by what it went', async () => {
  expect(await tryMessage(house.db, 'mail', 'me@example.invalid')).toMatchObject({
    by: 'smtp',
    went: { ok: true },
  });
  value(await keep({}, { password: 'something else' }));
  expect(await tryMessage(house.db, 'mail', 'me@example.invalid')).toMatchObject({
    went: { ok: false, trouble: 'The mail server refuses the user or the password.' },
  });
  value(await keep({ mail: { how: 'simulated' } }));
  expect(await tryMessage(house.db, 'mail', 'me@example.invalid')).toMatchObject({ by: 'simulated' });
});

test('without a public address nothing is written that would really leave, and the way to set it is said', async () => {
  value(await keep({ publicUrl: '' }));
  const job = await house.jobWith([], reached);
  const refused = await house.give(house.desk, 'desk.message', {
    jobId: job.jobId,
    purpose: 'ready',
    channel: 'text',
  });
  expect(JSON.stringify(refused)).toContain('House → Messages');
  // The stand-in may: nothing leaves the house.
  value(
    await house.give(house.desk, 'desk.message', { jobId: job.jobId, purpose: 'ready', channel: 'mail' }),
  );
});

test('a message says its day and the hours in the language of its words', async () => {
  const { messages } = await loadMessages(house.db);
  const own = { subject: '{instrument}', body: 'Am {day}, offen {hours}: {link}' };
  expect(await keep({ language: 'the local one' })).toMatchObject({
    error: { fields: { 'messages.language': 'A language, like en, de or pt-BR' } },
  });
  const said = { publicUrl: 'https://shop.example', language: 'de', mail: { how: 'simulated' } };
  value(await keep({ ...said, templates: { ...messages.templates, 'next-check': own } }));
  const day = [{ from: 540, to: 1080 }];
  value(
    await house.give(house.lead, 'house.save-opening', {
      version: 0,
      opening: { hours: { ...NO_HOURS, monday: day, saturday: day }, closed: [] },
    }),
  );
  const job = await house.jobWith(['rod'], reached);
  const { version } = (await house.view(job.number)).handOver;
  const advice = { jobId: job.jobId, version, advice: 'Keep it warm.', nextCheck: '2026-12-16' };
  value(await house.give(house.technician, 'hand-over.advice', advice));
  value(
    await house.give(house.desk, 'desk.message', {
      jobId: job.jobId,
      purpose: 'next-check',
      channel: 'mail',
    }),
  );
  const row = await house.db.models.MessageRow.findOne({ where: { jobId: job.jobId } });
  expect(row?.body).toBe('Am 16. Dezember 2026, offen Mo 9:00–18:00, Sa 9:00–18:00: {link}');
});

test('a call is kept among what was written: who knows, and that nobody answered', async () => {
  const { jobId, number } = value(await house.give(house.desk, 'desk.take-in', intake()));
  const called = (reached: boolean, note: string) =>
    house.give(house.desk, 'desk.called', { jobId, purpose: 'estimate', reached, note });
  const failed = value(await called(false, ''));
  expect(await house.give(house.desk, 'desk.resend', failed)).toMatchObject({ ok: false });
  value(await called(true, 'Petra: yes to everything'));
  const job = await loadJob(house.db, number);
  expect(job?.messages.map((m) => [m.channel, m.state, m.trouble])).toEqual([
    ['call', 'failed', 'nobody answered'],
    ['call', 'delivered', ''],
  ]);
  const before = await house.db.models.MessageRow.count({ where: { jobId, state: 'waiting' } });
  expect(before).toBe(0);
  expect(
    await house.give(house.technician, 'desk.called', {
      jobId: 999_999,
      purpose: 'ready',
      reached: true,
      note: '',
    }),
  ).toMatchObject({ ok: false });
});

test('every change of it reads as a sentence', async () => {
  expect(await unsaid(house.db)).toEqual([]);
});
