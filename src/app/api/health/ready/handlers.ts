import { GET as ready } from '../handlers.ts';

/** Whether it can serve: its database answers, and holds the record in the form this release keeps. */
export const GET = ready;
