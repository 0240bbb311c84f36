import { z } from 'zod';
import { isLanguage } from '../core/messages/in-language.ts';
import { MESSAGE_PURPOSES, SHIPPED_TEMPLATES, unknownPlaceholders } from '../core/messages/templates.ts';

const line = (max: number) => z.string().trim().max(max, `At most ${max} characters`);
const known = (text: string): boolean => unknownPlaceholders(text).length === 0;
const UNKNOWN = 'One of the words in braces means nothing here';

const template = z.object({
  subject: line(160).min(1, 'What stands at its head?').refine(known, UNKNOWN),
  body: z
    .string()
    .trim()
    .min(1, 'What does it say?')
    .max(2000, 'At most 2000 characters')
    .refine(known, UNKNOWN)
    .refine((t) => t.includes('{link}'), 'Their link belongs in it: {link}'),
});

/** An address others reach the house at: nothing, or where it begins. */
const address = z
  .string()
  .trim()
  .regex(/^(?:https?:\/\/[^\s/?#]+(?:\/[^\s?#]*)?)?$/, 'An address like https://shop.example')
  .transform((a) => a.replace(/\/+$/, ''));

/** How messages leave the house, as it is kept; what is secret of it is kept apart. */
export const messageSettingsSchema = z.object({
  /** where customers reach the house; their links begin with it */
  publicUrl: address.default(''),
  mail: z
    .object({
      how: z.enum(['simulated', 'smtp']).default('simulated'),
      host: line(200).default(''),
      port: z.number().int().min(1).max(65_535).default(587),
      /** tls: from the first byte; starttls: asked for after greeting; none: only on the same machine */
      security: z.enum(['tls', 'starttls', 'none']).default('starttls'),
      user: line(200).default(''),
      from: z.union([z.literal(''), z.email('An e-mail address')]).default(''),
    })
    .refine((m) => m.how === 'simulated' || m.host !== '', { path: ['host'], message: 'Which server?' })
    .refine((m) => m.how === 'simulated' || m.from !== '', { path: ['from'], message: 'From which address?' })
    .refine((m) => m.security !== 'none' || m.user === '' || /^(?:127\.|localhost$|\[?::1)/.test(m.host), {
      path: ['security'],
      message: 'A password never goes over the wire unsealed: choose TLS.',
    })
    .prefault({}),
  text: z
    .object({
      how: z.enum(['simulated', 'webhook']).default('simulated'),
      url: z
        .union([z.literal(''), z.url({ protocol: /^https?$/, error: 'An address like https://…' })])
        .default(''),
    })
    .refine((m) => m.how === 'simulated' || m.url !== '', { path: ['url'], message: 'To which address?' })
    .prefault({}),
  /** the language the words below are in, after BCP 47: days are written in it */
  language: z.string().trim().refine(isLanguage, 'A language, like en, de or pt-BR').default('en'),
  templates: z
    .object(
      Object.fromEntries(MESSAGE_PURPOSES.map((p) => [p, template.prefault(SHIPPED_TEMPLATES[p])])) as Record<
        (typeof MESSAGE_PURPOSES)[number],
        z.ZodPrefault<typeof template>
      >,
    )
    .prefault({}),
});

export type MessageSettings = z.infer<typeof messageSettingsSchema>;

/** What of them is secret: what is left out stays as it is, an empty text takes it away. */
export const messageSecretsSchema = z.object({
  password: z.string().max(400).optional(),
  webhookKey: z.string().max(400).optional(),
});
