'use client';

import { lazyPart } from '../kit/lazy-part.ts';
import { Suspense, type ComponentProps } from 'react';
import type { SellForm as Form } from './sell-form.tsx';

/** The form comes for what hangs on the floor. */
const SellForm = lazyPart(() => import('./sell-form.tsx').then((m) => m.SellForm));

/** An instrument that hangs on the floor to be sold. */
export const OnTheFloor = (props: ComponentProps<typeof Form>) => (
  <Suspense>
    <SellForm {...props} />
  </Suspense>
);
