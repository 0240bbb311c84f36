import { concerns, type Change } from '../../contracts/concerns.ts';

/** How one leaves for a page; `traverse` is going back or forward. */
export type Leaving = 'push' | 'replace' | 'traverse';

/** So much heard on the way is reason enough to look again, whatever it was. */
const MOST = 200;

/**
 * What is heard while a page is on its way: the house may have made the page before it happened, and the page that is still
 * shown may be of another job, which it does not concern.
 */
export class OnTheWay {
  private heard: Change[] | null = null;
  private back = false;

  /** One leaves for another page, or again for another before that came. */
  leave(how: Leaving): void {
    this.heard ??= [];
    this.back = how === 'traverse';
  }

  hear(changes: readonly Change[]): void {
    if (this.heard && this.heard.length < MOST) this.heard.push(...changes);
  }

  /**
   * The page is there: whether it has to look again.
   * @param shown the number of the one job it shows; null when it shows many, or all
   * @param loadsItself whether it asks by itself for what is new when one comes back to it
   */
  arrive(shown: number | null, loadsItself: boolean): boolean {
    const { heard, back } = this;
    this.heard = null;
    this.back = false;
    if (!heard) return false;
    // Where one goes back, the router shows the page as it was.
    return (back && !loadsItself) || heard.length >= MOST || heard.some((c) => concerns(c, shown));
  }
}
