import type { ReactNode } from 'react';
import { database } from '../../../server/db/connection.ts';
import { loadFirstDay } from '../../../server/house/first-day.ts';
import { HouseNav } from '../../../ui/house/house-nav.tsx';

/** House is one place: its pages stand at the side of each. */
export default async function HousePlaceLayout({ children }: { readonly children: ReactNode }) {
  const day = await loadFirstDay(database());
  return (
    <div className="flex max-sm:block">
      <HouseNav firstDay={day !== null && !day.closed} />
      <div className="min-w-0 flex-1">{children}</div>
    </div>
  );
}
