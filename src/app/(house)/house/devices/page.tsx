import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadDevices } from '../../../../server/devices/load-devices.ts';
import { loadDoorLog, loadDoors } from '../../../../server/people/doors.ts';
import { DoorLog } from '../../../../ui/house/door-log.tsx';
import { DoorsEditor } from '../../../../ui/house/doors-editor.tsx';
import { DeviceList } from '../../../../ui/house/device-list.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { origin } from '../../../_lib/origin.ts';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Tablets' };

export default async function DevicesPage() {
  const actor = await requireActor();
  const db = database();
  const keeps = may(actor.role, 'house');
  const [devices, address, entries, doors] = await Promise.all([
    loadDevices(db),
    origin(),
    keeps ? loadDoorLog(db) : [],
    loadDoors(db),
  ]);
  return (
    <>
      <PageHead title="Tablets" note="what is paired with the shop, and who was on it last" />
      <DeviceList
        devices={devices}
        here={actor.deviceId}
        address={address}
        trust={process.env['RUBRICA_TRUST_URL'] ?? null}
        may={keeps}
      />
      {keeps && (
        <div className="grid gap-6 px-5 py-3 lg:grid-cols-[1fr_22rem]">
          <DoorLog entries={entries} />
          <DoorsEditor {...doors} />
        </div>
      )}
    </>
  );
}
