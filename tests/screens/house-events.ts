import type { Change } from '../../src/contracts/concerns.ts';
import { database } from '../../src/server/db/connection.ts';
import { changesSince, listenToEvents } from '../../src/server/live/feed.ts';

/** The stream of the house's events, as a screen listens to it: the same feed, without a wire between. */
export class HouseEvents extends window.EventTarget {
  onmessage: ((e: MessageEvent<string>) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly stop: () => void;
  private closed = false;

  constructor(address: string) {
    super();
    const [newest = 0, count = 0] = (/since=([\d.]+)/.exec(address)?.[1] ?? '').split('.').map(Number);
    this.stop = listenToEvents(
      (heard) => this.tell(heard),
      () => {
        if (this.closed) return;
        this.dispatchEvent(new window.Event('begun'));
        // Between the making of the page and now others went on.
        void changesSince(database(), { newest, count }).then((missed) => this.tell(missed));
      },
    );
  }

  private tell(heard: readonly Change[]): void {
    if (!this.closed && heard.length > 0)
      this.onmessage?.(new MessageEvent('message', { data: JSON.stringify(heard) }));
  }

  close(): void {
    this.closed = true;
    this.stop();
  }
}
