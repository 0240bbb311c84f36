'use client';

import { createContext, useMemo, type ReactNode } from 'react';
import type { DisplayUnit } from '../../core/units/length-units.ts';

interface Reader {
  /** who reads, by name */
  readonly person: string;
  /** the shop's unit, for who has not chosen one */
  readonly heights: DisplayUnit;
}

/** Who reads what is shown. By itself, since it stands round every page. */
export const Reading = createContext<Reader>({ person: '', heights: '64ths' });

/** Everything inside is read by one person of the shop. */
export function ReadBy({ person, heights, children }: Reader & { readonly children: ReactNode }) {
  const reader = useMemo(() => ({ person, heights }), [person, heights]);
  return <Reading value={reader}>{children}</Reading>;
}
