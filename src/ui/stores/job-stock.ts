import { useQuery } from '@tanstack/react-query';
import type { LoadedJobStock } from '../../server/stores/load-job-stock.ts';
import { getJson } from '../data/queries.tsx';
import { BESIDE_KEY } from '../data/refresh.ts';

/** What the work of a job takes from the shelves, as it stands. */
export const useJobStock = (number: number) =>
  useQuery<LoadedJobStock>({
    queryKey: [BESIDE_KEY, number, 'stock'],
    queryFn: ({ signal }) => getJson(`/api/job/${number}/stock`, signal),
  });
