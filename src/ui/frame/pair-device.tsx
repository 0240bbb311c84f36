'use client';

import { useState } from 'react';
import { postJson } from '../data/post-json.ts';

/** Types the pairing code and a name for this device. */
export function PairDevice({ code: given }: { readonly code: string }) {
  const [code, setCode] = useState(given);
  const [name, setName] = useState('Bench tablet');
  const [trouble, setTrouble] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const pair = async () => {
    setBusy(true);
    const said = await postJson('/api/pair', { code, name });
    if (said === null) window.location.assign('/sign-in');
    else {
      setTrouble(said);
      setBusy(false);
    }
  };
  return (
    <form
      className="space-y-4"
      onSubmit={(e) => {
        e.preventDefault();
        void pair();
      }}
    >
      <div>
        <label className="label" htmlFor="code">
          Pairing code
        </label>
        <input
          id="code"
          className="field font-bold tracking-wider uppercase"
          value={code}
          onChange={(e) => setCode(e.target.value)}
          autoComplete="off"
          required
          aria-describedby={trouble ? 'pair-trouble' : undefined}
        />
      </div>
      <div>
        <label className="label" htmlFor="device-name">
          Name of this device
        </label>
        <input
          id="device-name"
          className="field"
          value={name}
          onChange={(e) => setName(e.target.value)}
          required
          maxLength={80}
        />
      </div>
      {trouble && (
        <p id="pair-trouble" role="alert" className="text-rubric">
          ◆ {trouble}
        </p>
      )}
      <button type="submit" className="button button-main" disabled={busy}>
        Pair
      </button>
    </form>
  );
}
