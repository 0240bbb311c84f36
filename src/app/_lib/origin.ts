import { headers } from 'next/headers';
import { originOf } from './reached.ts';

/** The address codes and links of a page carry: the house's public one, or where the page was asked for. */
export const origin = async (): Promise<string> => originOf(await headers());
