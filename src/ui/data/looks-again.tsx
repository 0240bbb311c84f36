'use client';

import { useQueryClient } from '@tanstack/react-query';
import { usePathname, useSearchParams } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import type { Change } from '../../contracts/concerns.ts';
import { OnTheWay, type Leaving } from './on-the-way.ts';
import { HEARD, LEAVING, PAGE_COMES } from './page-events.ts';
import { refreshSoon, shownPart } from './refresh.ts';
import { shownJob } from './shows-job.tsx';

/** Where one goes to another page, what is heard until it is there is looked at once more when it is. */
export function LooksAgain() {
  const client = useQueryClient();
  const [way] = useState(() => new OnTheWay());
  const [path, query] = [usePathname(), useSearchParams().toString()];
  const comes = useRef(false);
  useEffect(() => {
    const leave = (e: Event) => way.leave((e as CustomEvent<Leaving>).detail);
    const hear = (e: Event) => way.hear((e as CustomEvent<readonly Change[]>).detail);
    // What the page itself says of the job it shows is said by its own effects, which come after this.
    const come = (e: Event) => {
      comes.current = (e as CustomEvent<boolean>).detail;
      if (!comes.current)
        setTimeout(() => way.arrive(shownJob(), shownPart(client) !== null) && refreshSoon());
    };
    window.addEventListener(LEAVING, leave);
    window.addEventListener(HEARD, hear);
    window.addEventListener(PAGE_COMES, come);
    return () => {
      window.removeEventListener(LEAVING, leave);
      window.removeEventListener(HEARD, hear);
      window.removeEventListener(PAGE_COMES, come);
    };
  }, [way, client]);
  useEffect(() => {
    if (!comes.current && way.arrive(shownJob(), shownPart(client) !== null)) refreshSoon();
  }, [way, client, path, query]);
  return null;
}
