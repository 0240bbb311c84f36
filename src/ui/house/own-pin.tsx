'use client';

import { useState } from 'react';
import { pinProblem } from '../../core/people/pin.ts';
import { useSend } from '../data/use-send.ts';
import { Trouble } from '../kit/trouble.tsx';
import { PinField } from './pin-fields.tsx';

/** One's own PIN, and one's sessions on other tablets. */
export function OwnPin() {
  const { give, busy, trouble } = useSend();
  const [now, setNow] = useState('');
  const [pin, setPin] = useState('');
  const [said, setSaid] = useState('');
  const fields = trouble?.code === 'invalid' ? trouble.fields : {};
  const change = async () => {
    const done = await give('people.own-pin', { now, pin });
    if (!done) return;
    setNow('');
    setPin('');
    setSaid('Your PIN is changed. Other tablets are signed out.');
  };
  const leave = async () => {
    const done = await give('people.sign-out', { from: 'other tablets' });
    if (done) setSaid(done.ended === 0 ? 'You were signed in nowhere else.' : 'You are signed in here only.');
  };
  return (
    <section aria-label="My PIN" className="space-y-3 border-t border-line pt-3">
      <h2 className="text-xl">My PIN</h2>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          void change();
        }}
      >
        <PinField
          label="The one I have now"
          fresh={false}
          value={now}
          error={fields['now']}
          onChange={setNow}
        />
        <PinField label="The new one" fresh value={pin} error={fields['pin']} onChange={setPin} />
        <button
          type="submit"
          className="button button-main"
          disabled={busy || now.length < 4 || pinProblem(pin) !== null}
        >
          Change my PIN
        </button>
        <button type="button" className="button" disabled={busy} onClick={() => void leave()}>
          Sign me out on every other tablet
        </button>
      </form>
      <p role="status">{said}</p>
      <Trouble trouble={trouble?.code === 'invalid' ? null : trouble} />
    </section>
  );
}
