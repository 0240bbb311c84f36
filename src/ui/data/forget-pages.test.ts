import { KEPT_PAGES } from '../../offline/kept-pages.ts';
import { forgetPages } from './forget-pages.ts';

afterEach(() => vi.unstubAllGlobals());

test('it forgets the store that the worker keeps pages in, and nothing where there is none', async () => {
  const gone: string[] = [];
  const caches = { delete: (name: string) => Promise.resolve(gone.push(name) > 0) };
  vi.stubGlobal('window', { caches });
  vi.stubGlobal('caches', caches);
  await forgetPages();
  expect(gone).toEqual([KEPT_PAGES]);
  vi.stubGlobal('window', {});
  await forgetPages();
  expect(gone).toHaveLength(1);
});
