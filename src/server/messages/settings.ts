import type { CommandInput } from '../../contracts/commands/commands.ts';
import { messageSettingsSchema, type MessageSettings } from '../../contracts/message-settings.ts';
import { smtpGateway, webhookGateway } from '../../devices/real-gateways.ts';
import { standInGateway, type MessageGateway } from '../../devices/message-gateway.ts';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/connection.ts';
import type { Models } from '../db/models/index.ts';
import { gatewayOf } from '../house/load-rules.ts';
import { saveSetting } from '../house/save-setting.ts';
import { openText, sealText } from '../keep/sealed-text.ts';
import { defineUseCase, type Work } from '../use-case/use-case.ts';

type Settings = readonly { readonly name: string; readonly value: unknown }[];

/** How messages leave the house; by the simulated gateway where nothing was said. */
export const messagesOf = (settings: Settings): MessageSettings =>
  messageSettingsSchema.parse(settings.find((s) => s.name === 'messages')?.value ?? {});

interface Secrets {
  readonly password: string;
  readonly webhookKey: string;
}

function secretsOf(settings: Settings): Secrets {
  const kept = settings.find((s) => s.name === 'message secrets')?.value as
    | Readonly<Record<string, unknown>>
    | undefined;
  const open = (name: string): string => {
    const sealed = kept?.[name];
    return typeof sealed === 'string' ? (openText(sealed) ?? '') : '';
  };
  return { password: open('password'), webhookKey: open('webhookKey') };
}

/** Where customers reach the house: what the shop says, else what the machine was told. Empty where nobody has. */
export const publicAddress = (settings: Settings): string =>
  messagesOf(settings).publicUrl || (process.env['RUBRICA_PUBLIC_URL'] ?? '').replace(/\/$/, '');

/** What messages go by: the services the shop named, and the stand-in where it has named none. */
export function gatewaysOf(settings: Settings): Readonly<Record<'mail' | 'text', MessageGateway>> {
  const { mail, text, language } = messagesOf(settings);
  const { password, webhookKey } = secretsOf(settings);
  const standIn = standInGateway(gatewayOf(settings));
  return {
    mail: mail.how === 'smtp' ? smtpGateway({ ...mail, password, language }) : standIn,
    text: text.how === 'webhook' ? webhookGateway({ url: text.url, key: webhookKey }) : standIn,
  };
}

/** What House shows: everything but what is secret, of which only whether it is there. */
export async function loadMessages({ models }: Pick<Database, 'models'>) {
  const rows = await models.Setting.findAll();
  const { password, webhookKey } = secretsOf(rows);
  return {
    messages: messagesOf(rows),
    version: rows.find((r) => r.name === 'messages')?.version ?? 0,
    address: publicAddress(rows),
    has: { password: password !== '', webhookKey: webhookKey !== '' },
  };
}

/** Keeps what is secret, sealed, apart from what the log may say. */
async function keepSecrets(
  { models, t }: Work,
  secrets: CommandInput<'house.save-messages'>['secrets'],
): Promise<void> {
  const row = await models.Setting.findByPk('message secrets', { transaction: t, lock: t.LOCK.UPDATE });
  const before = (row?.value ?? {}) as Readonly<Record<string, unknown>>;
  const said = Object.entries(secrets).flatMap(([k, v]) => (v === undefined ? [] : [[k, v] as const]));
  if (said.length === 0) return;
  const after = {
    ...before,
    ...Object.fromEntries(said.map(([k, v]) => [k, v === '' ? null : sealText(v)])),
  };
  if (row) await row.update({ value: after, version: row.version + 1 }, { transaction: t });
  else await models.Setting.create({ name: 'message secrets', value: after, version: 1 }, { transaction: t });
}

/** Seals what is secret anew, under the newest of the house's secrets. */
export async function resealSecrets(models: Models, t: Transaction): Promise<void> {
  const row = await models.Setting.findByPk('message secrets', { transaction: t, lock: t.LOCK.UPDATE });
  if (!row) return;
  const anew = Object.entries(row.value as Readonly<Record<string, unknown>>).map(([name, sealed]) => {
    const text = typeof sealed === 'string' ? openText(sealed) : null;
    return [name, text === null ? null : sealText(text)];
  });
  await row.update({ value: Object.fromEntries(anew) as object }, { transaction: t });
}

/** Keeps how messages leave the house, and the shop's own words for them. */
export const saveMessages = defineUseCase({
  name: 'house.save-messages',
  run: async (work, { version, messages, secrets }) => {
    const saved = await saveSetting(work, {
      name: 'messages',
      what: 'how messages go',
      value: messages,
      version,
    });
    if (saved.ok) await keepSecrets(work, secrets);
    return saved;
  },
});
