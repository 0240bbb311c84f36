'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileField } from '../kit/file-field.tsx';

/** The shop's logo: shown as it is kept, put there, taken away. */
export function LogoField({ digest, may }: { readonly digest: string | null; readonly may: boolean }) {
  const router = useRouter();
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const send = async (body: Blob | null) => {
    setBusy(true);
    setWrong('');
    try {
      const done = await fetch('/api/logo', { method: 'POST', body });
      const said = (await done.json()) as { readonly ok: boolean; readonly error?: string };
      if (said.ok) router.refresh();
      else setWrong(said.error ?? 'It was not kept.');
    } catch {
      setWrong('No connection: try again.');
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-label="Logo" className="max-w-3xl space-y-3 px-5 pb-6">
      <h2 className="text-xl">Logo</h2>
      {digest === null ? (
        <p className="text-quiet">None: the shop’s name stands at the head of its papers.</p>
      ) : (
        <img
          src={`/api/logo?${digest.slice(0, 12)}`}
          alt="The shop’s logo"
          className="max-h-24 border border-line bg-white p-2"
        />
      )}
      {may && (
        <div className="flex flex-wrap items-end gap-3">
          <FileField
            label={digest === null ? 'A picture: JPEG, PNG or WebP' : 'Another picture'}
            accept="image/png,image/jpeg,image/webp"
            wrong={wrong}
            disabled={busy}
            onFile={(file) => void send(file)}
          />
          {digest !== null && (
            <button type="button" className="button" disabled={busy} onClick={() => void send(null)}>
              Take it away
            </button>
          )}
        </div>
      )}
    </section>
  );
}
