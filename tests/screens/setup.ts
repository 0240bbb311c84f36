import { JSDOM } from 'jsdom';
import { vi } from 'vitest';
import { asking } from './asking.ts';

/** What a request carries, as Next would give it to a route or a page. */
vi.mock('next/headers', () => ({
  cookies: () =>
    Promise.resolve({
      get: (name: string) => {
        const value = asking.cookies.get(name);
        return value === undefined ? undefined : { name, value };
      },
      set: () => undefined,
      delete: () => undefined,
    }),
  headers: () => Promise.resolve(asking.headers()),
}));

/** Links lead to another screen of the test, not through Next's router, which is not there. */
vi.mock('next/link', async () => ({ default: (await import('./plain-link.tsx')).PlainLink }));

/** Charts want a page that is laid out: they are looked at in the browser. */
vi.mock('react-apexcharts', () => ({ default: () => null }));

const dom = new JSDOM('<!doctype html><html lang="en"><body></body></html>', {
  url: asking.base,
  pretendToBeVisual: true,
});
const { window } = dom;

/** Node's own of these serve the house's side, which runs in the same process. */
const OF_NODE = new Set([
  'AbortController',
  'AbortSignal',
  'Blob',
  'EventTarget',
  'File',
  'FormData',
  'Headers',
  'URL',
  'URLSearchParams',
  'TextEncoder',
  'TextDecoder',
  'ArrayBuffer',
  'performance',
  'crypto',
  'console',
  'setTimeout',
  'clearTimeout',
  'setInterval',
  'clearInterval',
  'queueMicrotask',
  'structuredClone',
  'fetch',
]);
const OF_THE_DOM = new Set(['Event', 'CustomEvent', 'MessageEvent', 'navigator', 'Element']);
for (const key of Object.getOwnPropertyNames(window)) {
  if (OF_NODE.has(key) || key.startsWith('_') || key === 'globalThis' || key === 'undefined') continue;
  if (key in globalThis && !OF_THE_DOM.has(key)) continue;
  Object.defineProperty(globalThis, key, {
    configurable: true,
    writable: true,
    value: (window as unknown as Record<string, unknown>)[key],
  });
}
Object.assign(globalThis, { window: globalThis.window ?? window });

/** What a page says to its own window without naming it. */
for (const key of ['addEventListener', 'removeEventListener', 'dispatchEvent'] as const)
  Object.defineProperty(globalThis, key, { configurable: true, value: window[key].bind(window) });

/** A page that is laid out nowhere: what asks for sizes and scrolls gets none. */
class Nothing {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(globalThis, { ResizeObserver: Nothing, IntersectionObserver: Nothing });
Object.assign(window, { ResizeObserver: Nothing, IntersectionObserver: Nothing, scrollTo: () => undefined });
/**
 * The styles of an element: no style sheet is loaded here, so that what it says itself and what is never shown is all there is. The
 * document's own answer looks for its rules anew at each question, which took a fifth of these tests' time.
 */
const NEVER_SHOWN = new Set(['HEAD', 'SCRIPT', 'STYLE', 'TEMPLATE', 'META', 'LINK', 'TITLE', 'NOSCRIPT']);
function stylesOf(element: Element): CSSStyleDeclaration {
  const own = (element as HTMLElement).style as CSSStyleDeclaration | undefined;
  const value = (name: string): string => {
    const said = own?.getPropertyValue(name) ?? '';
    if (said !== '') return said;
    if (name === 'display')
      return NEVER_SHOWN.has(element.tagName) || element.hasAttribute('hidden') ? 'none' : 'block';
    if (name === 'visibility') return 'visible';
    return '';
  };
  return new Proxy({} as CSSStyleDeclaration, {
    get: (_, key) => {
      if (key === 'getPropertyValue') return value;
      if (typeof key !== 'string') return undefined;
      return value(key.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`));
    },
  });
}
Object.assign(window, { getComputedStyle: stylesOf });
Object.assign(globalThis, { getComputedStyle: stylesOf });

/** Nothing is drawn: what is drawn on is there. */
const canvas = new Proxy({}, { get: () => () => undefined, set: () => true });
window.HTMLCanvasElement.prototype.getContext = () => canvas as never;
window.Blob.prototype.text = function text(this: InstanceType<typeof window.Blob>) {
  return new Promise<string>((resolve, reject) => {
    const reader = new window.FileReader();
    reader.addEventListener('load', () => resolve(String(reader.result)));
    reader.addEventListener('error', () => reject(new Error('not read')));
    reader.readAsText(this);
  });
};
window.Blob.prototype.arrayBuffer = function bytes(this: InstanceType<typeof window.Blob>) {
  return new Promise<ArrayBuffer>((resolve, reject) => {
    const reader = new window.FileReader();
    reader.addEventListener('load', () => resolve(reader.result as ArrayBuffer));
    reader.addEventListener('error', () => reject(new Error('not read')));
    reader.readAsArrayBuffer(this);
  });
};
window.Element.prototype.scrollIntoView = () => undefined;
window.matchMedia = ((media: string) => ({
  media,
  matches: false,
  addEventListener: () => undefined,
  removeEventListener: () => undefined,
})) as unknown as typeof window.matchMedia;
Object.assign(globalThis, { matchMedia: window.matchMedia, scrollTo: () => undefined });
