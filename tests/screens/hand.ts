import { waitFor, within, type ByRoleMatcher } from '@testing-library/dom';
import type { UserEvent } from '@testing-library/user-event';

type Name = string | RegExp;

/** A part of a name is enough, as one would read it out. */
const nameOf = (name: Name): RegExp =>
  typeof name === 'string' ? new RegExp(name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')) : name;
const textOf = (e: Element): string => (e.textContent ?? '').replace(/\s+/g, ' ');
const holds = (text: string, wanted: Name): boolean =>
  typeof wanted === 'string' ? text.includes(wanted) : wanted.test(text);

/** A hand and an eye on the screen, or on a part of it: everything is waited for. */
export class Hand {
  readonly user: UserEvent;
  private readonly part: () => Element;

  constructor(user: UserEvent, part: () => Element = () => document.body) {
    this.user = user;
    this.part = part;
  }

  private here = () => within(this.part() as HTMLElement);

  /** What stands there under a role and a name; the first of several. */
  one(role: ByRoleMatcher, name?: Name): Promise<HTMLElement> {
    return waitFor(() => this.now(role, name));
  }

  private all(role: ByRoleMatcher, name?: Name): HTMLElement[] {
    if (name === undefined) return this.here().queryAllByRole(role);
    // A heading's first letter stands by itself, which is drawn as one word.
    if (role === 'heading')
      return this.here()
        .queryAllByRole(role)
        .filter((h) => holds(textOf(h), name));
    return this.here().queryAllByRole(role, { name: nameOf(name) });
  }

  private now(role: ByRoleMatcher, name?: Name): HTMLElement {
    const [first] = this.all(role, name);
    if (!first) throw new Error(`no ${String(role)} ${String(name)}`);
    return first;
  }

  /** How many there are. */
  many(role: ByRoleMatcher, name?: Name): number {
    return this.all(role, name).length;
  }

  /** One of several, by its place among them. */
  nth(role: ByRoleMatcher, place: number): HTMLInputElement {
    const found = this.all(role)[place];
    if (!found) throw new Error(`there are not ${place + 1} of ${String(role)}`);
    return found as HTMLInputElement;
  }

  /** A part of the screen; what is asked of it is asked of what stands there then. */
  in(role: ByRoleMatcher, name?: Name): Hand {
    return new Hand(this.user, () => this.now(role, name));
  }

  /** The item of a list that says these words. */
  saying(words: Name): Hand {
    return new Hand(this.user, () => {
      const found = this.here()
        .getAllByRole('listitem')
        .find((item) => holds(textOf(item), words));
      if (!found) throw new Error(`no item says ${String(words)} in: ${textOf(this.part()).slice(0, 3000)}`);
      return found;
    });
  }

  /** The item of a list that holds a heading. */
  item(heading: Name): Hand {
    return new Hand(this.user, () => {
      const found = this.here()
        .getAllByRole('listitem')
        .find((item) =>
          within(item)
            .queryAllByRole('heading')
            .some((h) => holds(textOf(h), heading)),
        );
      if (!found) throw new Error(`no item ${String(heading)} in: ${textOf(this.part()).slice(0, 3000)}`);
      return found;
    });
  }

  /** What a selector finds: a field by its place on the sheet. */
  at(selector: string): Promise<HTMLInputElement> {
    return waitFor(() => {
      const found = this.part().querySelector<HTMLInputElement>(selector);
      if (!found) throw new Error(`nothing at ${selector}`);
      return found;
    });
  }

  labelled(name: Name): Promise<HTMLInputElement> {
    return waitFor(() => {
      const [first] = this.here().getAllByLabelText<HTMLInputElement>(nameOf(name));
      if (!first) throw new Error(`no field ${String(name)}`);
      return first;
    });
  }

  async tap(role: ByRoleMatcher, name?: Name): Promise<void> {
    const what = await this.one(role, name);
    await waitFor(() => expect((what as HTMLButtonElement).disabled).not.toBe(true));
    await this.user.click(what);
  }

  /** Taps what carries these words. */
  async tapText(text: Name): Promise<void> {
    const [what] = await waitFor(() => this.here().getAllByText(nameOf(text)));
    if (what) await this.user.click(what);
  }

  /** How many items of lists say these words. */
  itemsSaying(words: Name): number {
    return this.all('listitem').filter((item) => holds(textOf(item), words)).length;
  }

  /** Opens a list of choices and takes one. */
  async pick(list: Name, option: Name): Promise<void> {
    const button = await this.one('button', list);
    await waitFor(() => expect((button as HTMLButtonElement).disabled).toBe(false));
    button.focus();
    await this.user.keyboard(' ');
    const found = await waitFor(() => within(document.body).getByRole('option', { name: nameOf(option) }));
    await this.user.click(found);
  }

  /** Puts a file into a field. */
  async upload(field: Name, name: string, text: string, type = 'text/csv'): Promise<void> {
    await this.user.upload(await this.labelled(field), new window.File([text], name, { type }));
  }

  /** Types into a field in place of what stands there. */
  async fill(field: HTMLElement, text: string): Promise<void> {
    await this.user.clear(field);
    if (text !== '') await this.user.type(field, text.replace(/[{[]/g, '$&$&'));
  }

  /** Types into a field and sends it on with Enter. */
  async enter(field: HTMLElement, text: string): Promise<void> {
    await this.fill(field, text);
    await this.user.keyboard('{Enter}');
  }

  /** Waits until these words stand there. */
  async sees(wanted: Name): Promise<void> {
    await waitFor(() => {
      const text = textOf(this.part());
      if (!holds(text, wanted)) throw new Error(`“${String(wanted)}” is not in: ${text.slice(0, 3000)}`);
    });
  }

  /** Waits until these words do not stand there. */
  async misses(wanted: Name): Promise<void> {
    await waitFor(() => expect(holds(textOf(this.part()), wanted)).toBe(false));
  }

  /** Waits until a choice is the one that is taken. */
  async chosen(role: ByRoleMatcher, name: Name): Promise<void> {
    await waitFor(() => {
      const what = this.now(role, name);
      expect(what.getAttribute('aria-checked') ?? String((what as HTMLInputElement).checked)).toBe('true');
    });
  }

  /** Waits until so many stand there. */
  async counts(role: ByRoleMatcher, name: Name | undefined, count: number): Promise<void> {
    await waitFor(() => expect(this.many(role, name)).toBe(count));
  }

  /** Waits until what is asked for is so. */
  async until(what: () => boolean | Promise<boolean>): Promise<void> {
    await waitFor(async () => expect(await what()).toBe(true));
  }

  /** What stands there. */
  text(): string {
    return textOf(this.part());
  }

  /** Waits until a field says this. */
  async says(field: HTMLElement | string, value: Name): Promise<void> {
    await waitFor(() => {
      const found = typeof field === 'string' ? this.part().querySelector(field) : field;
      const text = (found as HTMLInputElement | null)?.value ?? '';
      if (typeof value === 'string') expect(text).toBe(value);
      else expect(text).toMatch(value);
    });
  }

  /** Waits until all that was typed is kept. */
  async kept(): Promise<void> {
    await waitFor(() => expect(document.querySelectorAll('[data-sending]').length).toBe(0));
  }

  /** Lets what is under way go on for a moment. */
  async breath(): Promise<void> {
    await new Promise((go) => setTimeout(go));
  }
}
