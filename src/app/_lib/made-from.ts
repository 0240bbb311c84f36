import { cache } from 'react';
import { database } from '../../server/db/connection.ts';
import { logPosition } from '../../server/live/feed.ts';

/** How far the event log went before anything of this page was loaded: what happens from then on, its screen is told. */
export const madeFrom = cache(() => logPosition(database()));
