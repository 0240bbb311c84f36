import { serwist } from '@serwist/next/config';

/** The worker that keeps a tablet going without a connection: built after the application, whose files it holds. */
export default await serwist({
  swSrc: 'src/offline/worker.ts',
  swDest: 'public/sw.js',
  maximumFileSizeToCacheInBytes: 4 * 1024 * 1024,
});
