import type { ReactNode } from 'react';
import { HouseNav } from '../../../ui/house/house-nav.tsx';

/** House is one place: its pages stand at the side of each. */
export default function HousePlaceLayout({ children }: { readonly children: ReactNode }) {
  return (
    <div className="flex max-sm:block">
      <HouseNav />
      <div className="min-w-0 flex-1">{children}</div>
    </div>
  );
}
