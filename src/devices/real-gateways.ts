import { createHmac } from 'node:crypto';
import { createTransport } from 'nodemailer';
import type { Delivery, MessageGateway, Outgoing } from './message-gateway.ts';

const TIMEOUT_MS = 20_000;

/** A mail server as the shop named it. */
export interface SmtpSettings {
  /** of the words, after BCP 47 */
  readonly language: string;
  readonly host: string;
  readonly port: number;
  readonly security: 'tls' | 'starttls' | 'none';
  readonly user: string;
  readonly password: string;
  readonly from: string;
}

interface SmtpError extends Error {
  readonly responseCode?: number;
  readonly code?: string;
}

const NO_ADDRESS: Readonly<Record<Outgoing['channel'], Delivery>> = {
  mail: { ok: false, trouble: 'There is no e-mail address.', temporary: false },
  text: { ok: false, trouble: 'There is no telephone number.', temporary: false },
};

/** What went wrong, without what the server said of passwords; 5xx is for good, everything else may go later. */
function mailTrouble(error: unknown): Delivery {
  const { responseCode = 0, code = '', message } = error as SmtpError;
  const forGood = responseCode >= 500 && responseCode < 600 && code !== 'EAUTH';
  const words =
    code === 'EAUTH' ? 'The mail server refuses the user or the password.' : `The mail server: ${message}`;
  return { ok: false, trouble: words.slice(0, 200), temporary: !forGood };
}

/** E-mail by a server the shop named. A message carries the same id each time it is tried: a server may know it again. */
export function smtpGateway(s: SmtpSettings): MessageGateway {
  return {
    name: 'smtp',
    simulated: false,
    send: async ({ id, channel, address, subject, body, calendar }) => {
      if (address === '') return NO_ADDRESS[channel];
      const transport = createTransport({
        host: s.host,
        port: s.port,
        secure: s.security === 'tls',
        requireTLS: s.security === 'starttls',
        ignoreTLS: s.security === 'none',
        ...(s.user !== '' && { auth: { user: s.user, pass: s.password } }),
        connectionTimeout: TIMEOUT_MS,
        greetingTimeout: TIMEOUT_MS,
        socketTimeout: TIMEOUT_MS,
      });
      try {
        await transport.sendMail({
          from: s.from,
          to: address,
          subject,
          text: body,
          headers: { 'Content-Language': s.language },
          messageId: `<message-${id}@${s.from.split('@')[1] ?? 'rubrica.invalid'}>`,
          ...(calendar !== null && {
            icalEvent: { method: 'PUBLISH', filename: 'check.ics', content: calendar },
          }),
        });
        return { ok: true };
      } catch (error) {
        return mailTrouble(error);
      } finally {
        transport.close();
      }
    },
  };
}

/** A text service as the shop named it. */
export interface WebhookSettings {
  readonly url: string;
  /** what the body is signed with; empty where the service wants none */
  readonly key: string;
}

const MANY_REQUESTS = 429;

/** What the service answered: 2xx is delivered, 4xx is for good (except 408 and 429), everything else may go later. */
function textTrouble(status: number): Delivery {
  const later = status >= 500 || status === 408 || status === MANY_REQUESTS;
  return { ok: false, trouble: `The text service answered ${status}.`, temporary: later };
}

/**
 * Texts by a service the shop named: POST of JSON `{id, to, text}`, with `Idempotency-Key` (the same each time it is tried) and,
 * where there is a key, `X-Rubrica-Signature: sha256=` the HMAC of the body in hex.
 */
export function webhookGateway({ url, key }: WebhookSettings): MessageGateway {
  return {
    name: 'webhook',
    simulated: false,
    send: async ({ id, channel, address, body: text }) => {
      if (address === '') return NO_ADDRESS[channel];
      const body = JSON.stringify({ id, to: address, text });
      const signature = createHmac('sha256', key).update(body).digest('hex');
      try {
        const answer = await fetch(url, {
          method: 'POST',
          headers: {
            'Content-Type': 'application/json',
            'Idempotency-Key': `message-${id}`,
            ...(key !== '' && { 'X-Rubrica-Signature': `sha256=${signature}` }),
          },
          body,
          redirect: 'error',
          signal: AbortSignal.timeout(TIMEOUT_MS),
        });
        await answer.body?.cancel();
        return answer.ok ? { ok: true } : textTrouble(answer.status);
      } catch {
        return { ok: false, trouble: 'The text service could not be reached.', temporary: true };
      }
    },
  };
}
