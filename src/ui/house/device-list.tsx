'use client';

import { useState } from 'react';
import type { LoadedDevice } from '../../server/devices/load-devices.ts';
import { useSend } from '../data/use-send.ts';
import { sayMoment } from '../kit/dates.ts';
import { FormField } from '../kit/form-field.tsx';
import { Trouble } from '../kit/trouble.tsx';
import { PairingCode } from './pairing-code.tsx';

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
  const { give, busy, trouble } = useSend();
  const [name, setName] = useState<string | null>(null);
  const [sure, setSure] = useState(false);
  const rename = async () => {
    if (name !== null && (await give('devices.rename', { id: device.id, name }))) setName(null);
  };
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
        {may && name === null && (
          <button type="button" className="button" onClick={() => setName(device.name)}>
            Rename<span className="sr-only"> {device.name}</span>
          </button>
        )}
        {may && !here && !sure && (
          <button type="button" className="button" onClick={() => setSure(true)}>
            Send away<span className="sr-only"> {device.name}</span>
          </button>
        )}
        {sure && (
          <button
            type="button"
            className="button button-main"
            disabled={busy}
            onClick={() => void give('devices.revoke', { id: device.id })}
          >
            Yes: nobody is signed in on it any more
          </button>
        )}
        {sure && (
          <button type="button" className="button" onClick={() => setSure(false)}>
            Keep it
          </button>
        )}
      </div>
      {name !== null && (
        <form
          className="flex items-end gap-3 pt-2"
          onSubmit={(e) => {
            e.preventDefault();
            void rename();
          }}
        >
          <FormField label="What it is called" className="w-72">
            {(w) => (
              <input
                {...w}
                className="field"
                maxLength={80}
                value={name}
                onChange={(e) => setName(e.target.value)}
              />
            )}
          </FormField>
          <button type="submit" className="button button-main" disabled={busy || name.trim() === ''}>
            Keep the name
          </button>
        </form>
      )}
      <Trouble trouble={trouble} />
    </li>
  );
}

/** The tablets that are paired, and a code to pair another. */
export function DeviceList({
  devices,
  here,
  address,
  may,
}: {
  readonly devices: readonly LoadedDevice[];
  readonly here: number;
  readonly address: string;
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
        <PairingCode address={address} />
      ) : (
        <p className="text-quiet">A lead or an owner pairs tablets and sends them away.</p>
      )}
    </div>
  );
}
