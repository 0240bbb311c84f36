import type { Options } from '../base/options.ts';
import { serveHouse } from './start.ts';

export const run = (o: Options): Promise<number> => serveHouse(o, 'dev');
