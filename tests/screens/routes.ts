import { ADDRESSES } from '../../src/app/api/addresses.ts';
import { answer } from '../../src/app/api/answer.ts';
import { asked, asking } from './asking.ts';

interface Route {
  /** its parts, those in brackets for what an address says there */
  readonly parts: readonly string[];
  readonly pattern: RegExp;
  readonly names: readonly string[];
  readonly load: () => Promise<unknown>;
}

/** The parts of a page's address: folders in round brackets are none. */
const partsOf = (path: string): string[] =>
  path
    .replace(/^.*\/src\/app|\/page\.tsx$/g, '')
    .split('/')
    .filter((p) => p !== '' && !/^\(.*\)$/.test(p));

/** The pages of a glob, the most particular first. */
function pagesOf(found: Readonly<Record<string, () => Promise<unknown>>>): Route[] {
  const variable = (parts: readonly string[]) => parts.filter((p) => p.startsWith('[')).length;
  return Object.entries(found)
    .map(([path, load]) => {
      const parts = partsOf(path);
      const pattern = parts.map((p) => (p.startsWith('[') ? '([^/]+)' : p.replace(/\./g, '\\.')));
      const names = parts.filter((p) => p.startsWith('[')).map((p) => p.replace(/[[\].]/g, ''));
      return { parts, pattern: new RegExp(`^/${pattern.join('/')}$`), names, load };
    })
    .sort((a, b) => variable(a.parts) - variable(b.parts));
}

function routeTo(routes: readonly Route[], path: string) {
  for (const { pattern, names, load } of routes) {
    const at = pattern.exec(path);
    if (at)
      return {
        load,
        params: Object.fromEntries(names.map((n, i) => [n, decodeURIComponent(at[i + 1] ?? '')])),
      };
  }
  return null;
}

const PAGES = pagesOf(import.meta.glob('../../src/app/**/page.tsx'));

/** Every address of the house that is asked by programs, and of every page. */
export const DOORS = ADDRESSES.map(({ pattern, load }) => ({
  parts: ['api', ...pattern.split('/')] as readonly string[],
  load,
}));
export const PAGES_THERE: readonly (readonly string[])[] = PAGES.map((r) => r.parts);

/** A page of the house, as its file makes it. */
export async function pageAt(path: string, query: URLSearchParams): Promise<React.ReactNode> {
  const route = routeTo(PAGES, path);
  if (!route) throw new Error(`there is no page ${path}`);
  const { default: Page } = (await route.load()) as {
    default: (props: {
      params: Promise<Record<string, string>>;
      searchParams: Promise<Record<string, string>>;
    }) => Promise<React.ReactNode>;
  };
  return Page({
    params: Promise.resolve(route.params),
    searchParams: Promise.resolve(Object.fromEntries(query)),
  });
}

let commands = Promise.resolve();

/** Holds commands back on their way to the house. @returns what lets them through, and those that follow */
export function holdCommands(): () => void {
  let through = (): void => undefined;
  commands = new Promise((resolve) => {
    through = resolve;
  });
  return through;
}

/** Asks the house's own route, without a wire between. */
export const askHouse = (input: string | URL | Request, init: RequestInit = {}): Promise<Response> =>
  asked(answerOf(input, init));

async function answerOf(input: string | URL | Request, init: RequestInit): Promise<Response> {
  const url = new URL(input instanceof Request ? input.url : String(input), asking.base);
  const headers = new Headers(init.headers);
  for (const [name, value] of asking.headers()) if (!headers.has(name)) headers.set(name, value);
  const { signal, ...rest } = init;
  if (url.pathname === '/api/command') await commands;
  // A stream ends with whoever listens; what was asked is answered to its end.
  const listens = url.pathname === '/api/events' && signal ? { signal } : {};
  return answer(new Request(url, { ...rest, ...listens, headers }));
}
