'use client';

import { lazy, Suspense, type ComponentProps } from 'react';
import type { SellForm as Form } from './sell-form.tsx';

/** The form comes for what hangs on the floor. */
const SellForm = lazy(async () => ({ default: (await import('./sell-form.tsx')).SellForm }));

/** An instrument that hangs on the floor to be sold. */
export const OnTheFloor = (props: ComponentProps<typeof Form>) => (
  <Suspense>
    <SellForm {...props} />
  </Suspense>
);
