import { photosByPlace, type PlacedPhoto } from './same-place.ts';

const photo = (id: number, job: number, more: Partial<PlacedPhoto> = {}): PlacedPhoto => ({
  id,
  job,
  at: id,
  item: null,
  mark: null,
  ...more,
});
const mark = (x: number, y: number, view: 'front' | 'back' = 'front') => ({ view, x, y, words: `${x}` });
const ids = (photos: readonly PlacedPhoto[]) => photosByPlace(photos).map((p) => p.photos.map((x) => x.id));

test('photos of one item over two visits stand together, the oldest first, before what was seen once', () => {
  const photos = [
    photo(3, 2, { item: 'bridge' }),
    photo(2, 1, { item: 'nut' }),
    photo(1, 1, { item: 'bridge' }),
  ];
  expect(ids(photos)).toEqual([[1, 3], [2]]);
});

test('marks of two visits near each other on one side are of one place; on another side they are not', () => {
  const photos = [
    photo(1, 1, { mark: mark(0.4, 0.5) }),
    photo(2, 2, { mark: mark(0.43, 0.52) }),
    photo(3, 2, { mark: mark(0.43, 0.52, 'back') }),
    photo(4, 2, { mark: mark(0.9, 0.5) }),
    photo(5, 2),
  ];
  expect(ids(photos)).toEqual([[1, 2], [5], [4], [3]]);
});

test('photos of a step are of the work and are left out', () => {
  expect(ids([photo(1, 1, { item: 'line:3' })])).toEqual([]);
});
