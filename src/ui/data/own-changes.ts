/** How many of the commands this screen gave are remembered: their changes are heard within moments. */
const REMEMBERED = 100;

/** What is known of a command this screen gave: under way; under way and heard of; or the page it was at looks by itself, or has. */
type State = 'under way' | 'heard' | { readonly looksAt: string };

/**
 * The commands one screen gave. It looks again by itself when such a command is answered, so that hearing of its change from the
 * house need not make it look a second time.
 */
export class OwnChanges {
  private readonly states = new Map<string, State>();

  private readonly missed: () => void;
  private readonly page: () => string;

  /**
   * @param missed called where a change was passed over and the screen does not look by itself after all
   * @param page the page that is shown: one that was on its way may have been made before the change
   */
  constructor(missed: () => void, page: () => string) {
    this.missed = missed;
    this.page = page;
  }

  /** A command goes out. */
  begin(id: string): void {
    this.states.set(id, 'under way');
    for (const old of this.states.keys()) {
      if (this.states.size <= REMEMBERED) break;
      this.states.delete(old);
    }
  }

  /**
   * It was answered, or is not any more waited for.
   * @param looks whether the screen looks again from now on, by itself and until it could
   */
  end(id: string, looks: boolean): void {
    const state = this.states.get(id);
    // One that is forgotten is heard of like anybody's.
    if (state === undefined) return;
    if (looks) this.states.set(id, { looksAt: this.page() });
    else this.states.delete(id);
    if (!looks && state === 'heard') this.missed();
  }

  /** The page is loaded from the beginning: what was under way belongs to the one before. */
  forget(): void {
    this.states.clear();
  }

  /** Whether a change that is heard needs no look of its own. */
  passesOver(command: string | null | undefined): boolean {
    const state = command ? this.states.get(command) : undefined;
    if (!command || state === undefined) return false;
    if (typeof state === 'object') return state.looksAt === this.page();
    this.states.set(command, 'heard');
    return true;
  }
}
