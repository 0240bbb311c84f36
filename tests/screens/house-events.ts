import { listenToEvents } from '../../src/server/live/feed.ts';

/** The stream of the house's events, as a screen listens to it: the same feed, without a wire between. */
export class HouseEvents extends window.EventTarget {
  onmessage: ((e: MessageEvent<string>) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly stop: () => void;
  private closed = false;

  constructor() {
    super();
    this.stop = listenToEvents(
      (heard) => {
        if (!this.closed) this.onmessage?.(new MessageEvent('message', { data: JSON.stringify(heard) }));
      },
      () => {
        if (!this.closed) this.dispatchEvent(new window.Event('begun'));
      },
    );
  }

  close(): void {
    this.closed = true;
    this.stop();
  }
}
