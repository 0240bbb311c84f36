/** The store of pages a tablet showed. */
export const KEPT_PAGES = 'pages';

/** What a page says to the worker that stands between it and the house. */
export type ToWorker = { readonly kind: 'keep'; readonly path: string } | { readonly kind: 'take over' };

const PLACES = /^\/(rack|desk|bench|shelf|sums|house|guide|job)(\/|$)/;

/** Whether a page is one of the shop's own places: customers' links, papers and the door are never kept. */
export const isKeptPage = (path: string): boolean => PLACES.test(path);
