import type { At } from '../_lib/address.ts';

export const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE'] as const;
export type Method = (typeof METHODS)[number];

/** What may be asked at one address, by method. `HEAD` is answered as `GET` is, where nothing else is said. */
export type Handlers<N extends string = string> = {
  readonly [M in Method]?: (request: Request, at: At<N>) => Response | Promise<Response>;
};

/** The places that a pattern names: `job/:number/:part` names a number and a part. */
type Named<P extends string> = P extends `${string}:${infer N}/${infer Rest}`
  ? N | Named<Rest>
  : P extends `${string}:${infer N}`
    ? N
    : never;

/** One address that programs ask, below `/api/`. Its handlers are loaded when it is asked for the first time. */
export interface Address {
  readonly pattern: string;
  readonly load: () => Promise<Handlers>;
}

const at = <P extends string>(pattern: P, load: () => Promise<Handlers<Named<P>>>): Address => ({
  pattern,
  load: load as Address['load'],
});

/** Every address that programs ask. */
export const ADDRESSES: readonly Address[] = [
  at('audit', () => import('./audit/handlers.ts')),
  at('checklists', () => import('./checklists/handlers.ts')),
  at('client-error', () => import('./client-error/handlers.ts')),
  at('command', () => import('./command/handlers.ts')),
  at('customer/:id/file', () => import('./customer/[id]/file/handlers.ts')),
  at('desk', () => import('./desk/handlers.ts')),
  at('estimate/:token', () => import('./estimate/[token]/handlers.ts')),
  at('events', () => import('./events/handlers.ts')),
  at('exchange', () => import('./exchange/handlers.ts')),
  at('find', () => import('./find/handlers.ts')),
  at('find/anything', () => import('./find/anything/handlers.ts')),
  at('find/jobs', () => import('./find/jobs/handlers.ts')),
  at('frame', () => import('./frame/handlers.ts')),
  at('health', () => import('./health/handlers.ts')),
  at('health/live', () => import('./health/live/handlers.ts')),
  at('health/ready', () => import('./health/ready/handlers.ts')),
  at('instrument/:id', () => import('./instrument/[id]/handlers.ts')),
  at('job/:number/:part', () => import('./job/[number]/[part]/handlers.ts')),
  at('job/:number/care', () => import('./job/[number]/care/handlers.ts')),
  at('job/:number/check', () => import('./job/[number]/check/handlers.ts')),
  at('job/:number/history', () => import('./job/[number]/history/handlers.ts')),
  at('job/:number/invoice/:invoice', () => import('./job/[number]/invoice/[invoice]/handlers.ts')),
  at('job/:number/paper/:kind', () => import('./job/[number]/paper/[kind]/handlers.ts')),
  at('job/:number/readings.csv', () => import('./job/[number]/readings.csv/handlers.ts')),
  at('job/:number/sheet', () => import('./job/[number]/sheet/handlers.ts')),
  at('job/:number/stock', () => import('./job/[number]/stock/handlers.ts')),
  at('job/:number/wait', () => import('./job/[number]/wait/handlers.ts')),
  at('job/:number/zip', () => import('./job/[number]/zip/handlers.ts')),
  at('learned', () => import('./learned/handlers.ts')),
  at('link/:token/check', () => import('./link/[token]/check/handlers.ts')),
  at('link/:token/pdf', () => import('./link/[token]/pdf/handlers.ts')),
  at('link/:token/photo/:id', () => import('./link/[token]/photo/[id]/handlers.ts')),
  at('logo', () => import('./logo/handlers.ts')),
  at('messages/test', () => import('./messages/test/handlers.ts')),
  at('metrics', () => import('./metrics/handlers.ts')),
  at('offer/:token', () => import('./offer/[token]/handlers.ts')),
  at('openapi.json', () => import('./openapi.json/handlers.ts')),
  at('operations', () => import('./operations/handlers.ts')),
  at('pair', () => import('./pair/handlers.ts')),
  at('photo/:id', () => import('./photo/[id]/handlers.ts')),
  at('practice/:id/sound', () => import('./practice/[id]/sound/handlers.ts')),
  at('presence', () => import('./presence/handlers.ts')),
  at('rack', () => import('./rack/handlers.ts')),
  at('session', () => import('./session/handlers.ts')),
  at('shelf/:file', () => import('./shelf/[file]/handlers.ts')),
  at('sound/:id', () => import('./sound/[id]/handlers.ts')),
  at('stores', () => import('./stores/handlers.ts')),
  at('sums/:id', () => import('./sums/[id]/handlers.ts')),
  at('sums/:id/template', () => import('./sums/[id]/template/handlers.ts')),
  at('targets', () => import('./targets/handlers.ts')),
  at('uploads', () => import('./uploads/handlers.ts')),
  at('week/feed/:token', () => import('./week/feed/[token]/handlers.ts')),
  at('week/promise', () => import('./week/promise/handlers.ts')),
  at('week/remedies', () => import('./week/remedies/handlers.ts')),
  at('week/try', () => import('./week/try/handlers.ts')),
  at('week/work', () => import('./week/work/handlers.ts')),
  at('uploads/:id', () => import('./uploads/handlers.ts')),
];
