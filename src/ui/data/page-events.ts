/** One leaves for another page; its detail is how. Said by `instrumentation-client.ts`. */
export const LEAVING = 'leaving';
/** Something was heard of the house; its detail is the changes. Said by `Live`. */
export const HEARD = 'heard';
/** In the place of a page stands that it comes; its detail is whether it does, or is there. */
export const PAGE_COMES = 'comes';
