'use client';

import { useState } from 'react';
import type { MessageSettings } from '../../contracts/message-settings.ts';
import { ConflictChoice } from '../data/conflict-choice.tsx';
import { useEdit } from '../data/use-edit.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { Line } from './message-lines.tsx';
import { Mail, Text, Words, type Part, type Typed } from './message-services.tsx';

/** How messages go as it is edited, and how it is kept. */
function useEditedMessages(messages: MessageSettings, version: number, may: boolean) {
  const { give, busy, trouble } = useSend();
  const [secrets, setSecrets] = useState({ password: '', webhookKey: '' });
  const kept = { ...messages, port: String(messages.mail.port) };
  const edit = useEdit<Omit<Typed, 'password' | 'webhookKey'> & Readonly<Record<string, unknown>>>(
    kept,
    version,
    'house:messages',
  );
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const part: Part = {
    typed: { ...edit.value, ...secrets },
    // What is secret is never kept on the tablet.
    set: ({ password, webhookKey, ...some }) => {
      if (password !== undefined || webhookKey !== undefined)
        setSecrets((s) => ({ password: password ?? s.password, webhookKey: webhookKey ?? s.webhookKey }));
      if (Object.keys(some).length > 0) edit.set(some);
    },
    may,
    fields,
  };
  const keep = async () => {
    const said = Object.fromEntries(Object.entries(secrets).filter(([, v]) => v !== ''));
    const done = await edit.save(({ publicUrl, mail, port, text, language, templates }, began) =>
      give('house.save-messages', {
        version: began,
        messages: { publicUrl, mail: { ...mail, port: Number(port) }, text, language, templates },
        secrets: said,
      }),
    );
    if (done) setSecrets({ password: '', webhookKey: '' });
  };
  const changed = edit.changed || secrets.password !== '' || secrets.webhookKey !== '';
  return { edit, part, keep, changed, busy, trouble };
}

/** How messages leave the house and what they say, as it is changed. */
export function MessageEditor({
  messages,
  version,
  address,
  has,
  may,
}: {
  readonly messages: MessageSettings;
  readonly version: number;
  /** where links begin now */
  readonly address: string;
  readonly has: { readonly password: boolean; readonly webhookKey: boolean };
  readonly may: boolean;
}) {
  const { edit, part, keep, changed, busy, trouble } = useEditedMessages(messages, version, may);
  return (
    <form
      aria-label="How messages go"
      className="space-y-6"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <Line
        label="Where customers reach the house: their links begin with it"
        wide
        hint={address || 'https://…'}
        value={part.typed.publicUrl}
        error={part.fields['messages.publicUrl']}
        may={may}
        onChange={(publicUrl) => edit.set({ publicUrl })}
      />
      <Mail {...part} has={has.password} />
      <Text {...part} has={has.webhookKey} />
      <Words {...part} />
      <ConflictChoice edit={edit} />
      <Trouble trouble={trouble?.code === 'invalid' || edit.conflicts.length > 0 ? null : trouble} />
      {may && (
        <button
          type="submit"
          className="button button-main"
          disabled={
            busy || !changed || !/^\d{1,5}$/.test(part.typed.port.trim()) || edit.conflicts.length > 0
          }
        >
          Keep how messages go
        </button>
      )}
    </form>
  );
}
