'use client';

import { useState } from 'react';
import type { TriedMessage } from '../../server/messages/try-message.ts';
import { TextField } from '../kit/text-field.tsx';

/** A line of the form; what is secret is not shown as it is typed. */
export function Line({
  label,
  value,
  error,
  hint,
  wide = false,
  secret = false,
  may,
  onChange,
}: {
  readonly label: string;
  readonly value: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  readonly wide?: boolean;
  readonly secret?: boolean;
  readonly may: boolean;
  readonly onChange: (to: string) => void;
}) {
  return (
    <TextField
      label={label}
      error={error}
      className={wide ? 'w-96' : 'w-56'}
      type={secret ? 'password' : 'text'}
      autoComplete={secret ? 'new-password' : 'off'}
      placeholder={hint}
      readOnly={!may}
      value={value}
      onChange={onChange}
    />
  );
}

/** Sends one message to oneself by what is kept, and says how it went. */
export function TestMessage({ channel }: { readonly channel: 'mail' | 'text' }) {
  const [address, setAddress] = useState('');
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState('');
  const send = async () => {
    setBusy(true);
    const answer = await fetch('/api/messages/test', {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ channel, address }),
    }).catch(() => null);
    setBusy(false);
    if (!answer?.ok) return setSaid(answer ? await answer.text() : 'The house cannot be reached.');
    const { by, went } = (await answer.json()) as TriedMessage;
    const simulated = by === 'simulated' ? ' Simulated: nothing left the house.' : '';
    setSaid(went.ok ? `It went.${simulated}` : `◆ ${went.trouble}${simulated}`);
  };
  return (
    <div className="flex flex-wrap items-end gap-3">
      <Line
        label={channel === 'mail' ? 'A test message to' : 'A test text to'}
        value={address}
        may
        onChange={setAddress}
      />
      <button
        type="button"
        className="button"
        disabled={busy || address.trim() === ''}
        onClick={() => void send()}
      >
        Send a test
      </button>
      <p role="status">{said}</p>
    </div>
  );
}
