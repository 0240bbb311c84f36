import { database } from '../../../../server/db/connection.ts';
import { loadAir } from '../../../../server/air/load-air.ts';
import { loadShop } from '../../../../server/house/load-shop.ts';
import { AirPicture } from '../../../../ui/house/air-picture.tsx';
import { AirLogs } from '../../../../ui/house/air-logs.tsx';
import { BringAir } from '../../../../ui/house/bring-air.tsx';
import { PageHead } from '../../../../ui/kit/page-head.tsx';
import { requireActor } from '../../../_lib/session.ts';

export const metadata = { title: 'The air' };

export default async function AirPage() {
  await requireActor('house');
  const [air, shop] = await Promise.all([loadAir(database()), loadShop(database())]);
  return (
    <>
      <PageHead title="The air" note="temperature and humidity of the shop over the year" />
      <div className="max-w-5xl space-y-6 px-5 py-4">
        <p>
          A round of readings begins with the air the logger last wrote down; what a neck will read in
          February is said by the air of the year
          {air.season ? '.' : ', once most of a year is known.'}
        </p>
        {air.weeks.length > 0 && <AirPicture weeks={air.weeks} season={air.season} />}
        <BringAir zone={shop.zone} />
        <AirLogs logs={air.logs} />
      </div>
    </>
  );
}
