import type { Delivery } from '../../devices/message-gateway.ts';
import type { Database } from '../db/connection.ts';
import { shopOf } from '../house/load-shop.ts';
import { gatewaysOf } from './settings.ts';

/** How a test message went, and by what. */
export interface TriedMessage {
  readonly by: string;
  readonly went: Delivery;
}

/** Sends a message that says it is a test, by the service that is kept. Nothing of it is kept. */
export async function tryMessage(
  { models }: Pick<Database, 'models'>,
  channel: 'mail' | 'text',
  address: string,
): Promise<TriedMessage> {
  const settings = await models.Setting.findAll();
  const { name } = shopOf(settings);
  const by = gatewaysOf(settings)[channel];
  const went = await by.send({
    id: 0,
    channel,
    address,
    subject: `${name}: a test`,
    body: `This is a test message of ${name}. Nothing is to be done.`,
    calendar: null,
    tries: 0,
  });
  return { by: by.name, went };
}
