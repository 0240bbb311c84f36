import { isKeptPage } from './kept-pages.ts';
import { notKeptPage } from './not-kept-page.ts';

test.each([
  ['/rack', true],
  ['/job/408/readings', true],
  ['/sums/clearance', true],
  ['/sign-in', false],
  ['/pair', false],
  ['/estimate/abc', false],
  ['/sheet/abc', false],
  ['/options/abc', false],
  ['/api/job/408/plan', false],
  ['/racket', false],
])('%s is kept on the tablet: %s', (path, kept) => expect(isKeptPage(path)).toBe(kept));

test('what is not kept says what is, and nothing of a title becomes markup', () => {
  const page = notKeptPage([
    { path: '/job/408/plan', title: '408 <b>& co' },
    { path: '/rack', title: '' },
  ]);
  expect(page).toContain('<a href="/job/408/plan">408 &#60;b&#62;&#38; co</a>');
  expect(page).toContain('<a href="/rack">/rack</a>');
  expect(notKeptPage([])).toContain('Nothing was shown');
});
