'use client';

import { useState } from 'react';
import type { LoadedDevice } from '../../server/devices/load-devices.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { TextField } from '../kit/text-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { PairingCode } from './pairing-code.tsx';

/** Gives a tablet another name. */
function Renaming({ device, onDone }: { readonly device: LoadedDevice; readonly onDone: () => void }) {
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState(device.name);
  const rename = async () => {
    if (await give('devices.rename', { id: device.id, name })) onDone();
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3 pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void rename();
      }}
    >
      <TextField label="What it is called" className="w-72" maxLength={80} value={name} onChange={setName} />
      <button type="submit" className="button button-main" disabled={busy || name.trim() === ''}>
        Keep the name
      </button>
      <Trouble trouble={trouble} />
    </form>
  );
}

/** Sends a tablet away, asked once more: it is at once and for good. */
function SendAway({ device }: { readonly device: LoadedDevice }) {
  const { give, busy, trouble } = useSend();
  const [sure, setSure] = useState(false);
  if (!sure)
    return (
      <button type="button" className="button" onClick={() => setSure(true)}>
        Send away<span className="sr-only"> {device.name}</span>
      </button>
    );
  return (
    <>
      <button
        type="button"
        className="button button-main"
        disabled={busy}
        onClick={() => void give('devices.revoke', { id: device.id })}
      >
        Yes: nobody is signed in on it any more
      </button>
      <button type="button" className="button" onClick={() => setSure(false)}>
        Keep it
      </button>
      <Trouble trouble={trouble} />
    </>
  );
}

/** One tablet: its name, when it was last here and with whom, and a way to send it away. */
function DeviceRow({
  device,
  here,
  may,
}: {
  readonly device: LoadedDevice;
  readonly here: boolean;
  readonly may: boolean;
}) {
  const [renaming, setRenaming] = useState(false);
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-end gap-3">
        <div className="min-w-60 flex-1">
          <b>{device.name}</b>
          {here && ' (this one)'}
          <p className="text-sm text-quiet">
            paired {sayMoment(device.pairedAt)};{' '}
            {device.seenAt === null
              ? 'nobody has signed in on it yet'
              : `last here ${sayMoment(device.seenAt)}, ${device.seenBy}`}
          </p>
        </div>
        {may && !renaming && (
          <button type="button" className="button" onClick={() => setRenaming(true)}>
            Rename<span className="sr-only"> {device.name}</span>
          </button>
        )}
        {may && !here && <SendAway device={device} />}
      </div>
      {renaming && <Renaming device={device} onDone={() => setRenaming(false)} />}
    </li>
  );
}

/** The tablets that are paired, and a code to pair another. */
export function DeviceList({
  devices,
  here,
  address,
  trust,
  may,
}: {
  readonly devices: readonly LoadedDevice[];
  readonly here: number;
  readonly address: string;
  /** where a tablet learns to trust this machine; null where it need not */
  readonly trust: string | null;
  readonly may: boolean;
}) {
  return (
    <div className="grid gap-6 px-5 py-3 lg:grid-cols-[1fr_22rem]">
      <ul aria-label="Tablets">
        {devices.map((d) => (
          <DeviceRow key={d.id} device={d} here={d.id === here} may={may} />
        ))}
      </ul>
      {may ? (
        <PairingCode address={address} trust={trust} />
      ) : (
        <p className="text-quiet">A lead or an owner pairs tablets and sends them away.</p>
      )}
    </div>
  );
}
