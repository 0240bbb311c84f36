import { isOwnPath, lastPage, rememberPage } from './last-page.ts';

const kept = new Map<string, string>();
const store = {
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
};

beforeEach(() => {
  kept.clear();
  vi.stubGlobal('sessionStorage', store);
});
afterAll(() => {
  vi.unstubAllGlobals();
});

describe('the page to come back to', () => {
  test('is the one last shown, and the rack at first', () => {
    expect(lastPage()).toBe('/rack');
    rememberPage('/job/412/readings');
    expect(lastPage()).toBe('/job/412/readings');
  });

  test.each([
    '//elsewhere.example',
    '/\\elsewhere.example',
    'https://elsewhere.example',
    'rack',
    '/rack?next=//x',
    '',
  ])('is never %j', (path) => {
    expect(isOwnPath(path)).toBe(false);
    rememberPage(path);
    expect(lastPage()).toBe('/rack');
    kept.set('rubrica:page', path);
    expect(lastPage()).toBe('/rack');
  });

  test('is the rack where the browser keeps nothing', () => {
    const denied = () => {
      throw new Error('denied');
    };
    vi.stubGlobal('sessionStorage', { getItem: denied, setItem: denied });
    expect(() => rememberPage('/desk')).not.toThrow();
    expect(lastPage()).toBe('/rack');
  });
});
