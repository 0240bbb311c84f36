import { LEAVING } from './ui/data/page-events.ts';
import type { Leaving } from './ui/data/on-the-way.ts';

/** The router leaves for another page: what is heard until that is shown concerns it, too. */
export function onRouterTransitionStart(_url: string, how: Leaving): void {
  dispatchEvent(new CustomEvent(LEAVING, { detail: how }));
}
