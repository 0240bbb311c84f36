'use client';

import { useState } from 'react';
import type { MessageSettings } from '../../contracts/message-settings.ts';
import {
  PLACEHOLDERS,
  PURPOSE_NAMES,
  fillTemplate,
  type Placeholder,
  type Purpose,
} from '../../core/messages/templates.ts';
import { isLanguage, sayDateIn, sayWeekIn } from '../../core/messages/in-language.ts';
import { shopOpening } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { PillChoice } from '../kit/pill-choice.tsx';
import { Line, TestMessage } from './message-lines.tsx';

const MAIL = { simulated: 'simulated', smtp: 'by a mail server' } as const;
const TEXT = { simulated: 'simulated', webhook: 'by a web service' } as const;
const SAMPLE_DAY = '2026-12-16';
const SECURITY = { starttls: 'STARTTLS', tls: 'TLS', none: 'none' } as const;
const sample = (language: string): Readonly<Record<Placeholder, string>> => ({
  customer: 'Petra Aldous',
  instrument: 'Wendlow Otter',
  shop: 'the shop',
  job: '412',
  day: sayDateIn(SAMPLE_DAY, language, 'day-month'),
  hours: sayWeekIn(shopOpening().hours, language),
  why: 'its neck has probably moved',
  link: '(their own link)',
});

/** How messages go, as it is typed. */
export interface Typed {
  readonly publicUrl: string;
  readonly mail: MessageSettings['mail'];
  readonly port: string;
  readonly text: MessageSettings['text'];
  readonly language: string;
  readonly templates: MessageSettings['templates'];
  readonly password: string;
  readonly webhookKey: string;
}
type TypedFields = Typed & Readonly<Record<string, unknown>>;

/** What a part of the form is given. */
export interface Part {
  readonly typed: TypedFields;
  readonly set: (some: Partial<TypedFields>) => void;
  readonly may: boolean;
  readonly fields: Readonly<Record<string, string>>;
}

/** The server mail goes by. */
function MailServer({ typed, set, may, fields, has }: Part & { readonly has: boolean }) {
  const { mail } = typed;
  const change = (some: Partial<Typed['mail']>) => set({ mail: { ...mail, ...some } });
  return (
    <>
      <div className="flex flex-wrap gap-3">
        <Line
          label="Server"
          value={mail.host}
          error={fields['messages.mail.host']}
          may={may}
          onChange={(host) => change({ host })}
        />
        <Line
          label="Port"
          value={typed.port}
          error={/^\d{1,5}$/.test(typed.port.trim()) ? fields['messages.mail.port'] : 'A number'}
          may={may}
          onChange={(port) => set({ port })}
        />
        <Line
          label="From"
          value={mail.from}
          error={fields['messages.mail.from']}
          may={may}
          onChange={(from) => change({ from })}
        />
        <Line
          label="User"
          value={mail.user}
          error={fields['messages.mail.user']}
          may={may}
          onChange={(user) => change({ user })}
        />
        <Line
          label="Password"
          secret
          hint={has ? 'kept; write another to change it' : ''}
          value={typed.password}
          may={may}
          onChange={(password) => set({ password })}
        />
      </div>
      <PillChoice
        legend="Sealed by"
        value={mail.security}
        options={SECURITY}
        onChange={(security) => change({ security })}
        disabled={!may}
      />
      {fields['messages.mail.security'] && (
        <p role="alert" className="text-sm text-rubric">
          ◆ {fields['messages.mail.security']}
        </p>
      )}
    </>
  );
}

/** How e-mail goes. */
export function Mail({ has, ...part }: Part & { readonly has: boolean }) {
  const { typed, set, may } = part;
  const { mail } = typed;
  const change = (some: Partial<Typed['mail']>) => set({ mail: { ...mail, ...some } });
  return (
    <fieldset className="space-y-3">
      <legend className="font-serif text-xl">E-mail</legend>
      <PillChoice
        quiet
        legend="E-mail goes"
        value={mail.how}
        options={MAIL}
        onChange={(how) => change({ how })}
        disabled={!may}
      />
      {mail.how === 'smtp' && <MailServer {...part} has={has} />}
      {may && <TestMessage channel="mail" />}
    </fieldset>
  );
}

/** How texts go. */
export function Text({ typed, set, may, fields, has }: Part & { readonly has: boolean }) {
  const { text } = typed;
  return (
    <fieldset className="space-y-3">
      <legend className="font-serif text-xl">Text</legend>
      <PillChoice
        quiet
        legend="Texts go"
        value={text.how}
        options={TEXT}
        onChange={(how) => set({ text: { ...text, how } })}
        disabled={!may}
      />
      {text.how === 'webhook' && (
        <div className="flex flex-wrap gap-3">
          <Line
            label="Address of the service"
            wide
            value={text.url}
            error={fields['messages.text.url']}
            may={may}
            onChange={(url) => set({ text: { ...text, url } })}
          />
          <Line
            label="Key it is signed with"
            secret
            hint={has ? 'kept; write another to change it' : ''}
            value={typed.webhookKey}
            may={may}
            onChange={(webhookKey) => set({ webhookKey })}
          />
        </div>
      )}
      {may && <TestMessage channel="text" />}
    </fieldset>
  );
}

const Braces = () => (
  <p className="text-sm text-quiet">
    In braces:{' '}
    {Object.entries(PLACEHOLDERS)
      .map(([k, v]) => `{${k}} ${v}`)
      .join(', ')}
    .
  </p>
);

/** The shop's words for each message, with what they become. */
export function Words({ typed, set, may, fields }: Part) {
  const [purpose, setPurpose] = useState<Purpose>('ready');
  const words = typed.templates[purpose];
  const values = sample(isLanguage(typed.language) ? typed.language : 'en');
  const change = (some: Partial<typeof words>) =>
    set({ templates: { ...typed.templates, [purpose]: { ...words, ...some } } });
  return (
    <fieldset className="space-y-3">
      <legend className="font-serif text-xl">Words</legend>
      <Line
        label="Language they are in: en, de, pt-BR …"
        value={typed.language}
        error={fields['messages.language']}
        may={may}
        onChange={(language) => set({ language })}
      />
      <PillChoice
        quiet
        legend="Which message"
        value={purpose}
        options={PURPOSE_NAMES}
        onChange={setPurpose}
      />
      <div className="grid gap-4 lg:grid-cols-2">
        <div className="space-y-3">
          <Line
            label="At its head"
            wide
            value={words.subject}
            error={fields[`messages.templates.${purpose}.subject`]}
            may={may}
            onChange={(subject) => change({ subject })}
          />
          <TextField
            label="What it says"
            error={fields[`messages.templates.${purpose}.body`]}
            rows={8}
            readOnly={!may}
            value={words.body}
            onChange={(text) => change({ body: text })}
          />
          <Braces />
        </div>
        <div aria-label="As it will read" className="border border-line bg-card p-3 text-sm">
          <b>{fillTemplate(words.subject, values)}</b>
          <p className="whitespace-pre-wrap">{fillTemplate(words.body, values)}</p>
        </div>
      </div>
    </fieldset>
  );
}
