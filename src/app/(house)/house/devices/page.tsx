import { may } from '../../../../core/people/roles.ts';
import { database } from '../../../../server/db/connection.ts';
import { loadDevices } from '../../../../server/devices/load-devices.ts';
import { DeviceList } from '../../../../ui/house/device-list.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { origin } from '../../../_lib/origin.ts';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'Tablets' };

export default async function DevicesPage() {
  const actor = await requireActor();
  const [devices, address] = await Promise.all([loadDevices(database()), origin()]);
  return (
    <>
      <PageHead title="Tablets" note="what is paired with the shop, and who was on it last" />
      <DeviceList
        devices={devices}
        here={actor.deviceId}
        address={address}
        trust={process.env['RUBRICA_TRUST_URL'] ?? null}
        may={may(actor.role, 'house')}
      />
    </>
  );
}
