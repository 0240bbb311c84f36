import type { MetadataRoute } from 'next';

/** How a tablet installs Rubrica beside its other programs. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Rubrica',
    short_name: 'Rubrica',
    description: 'The record of a fretted-instrument repair shop',
    id: '/',
    start_url: '/rack',
    display: 'standalone',
    background_color: '#f9f4e8',
    theme_color: '#2b2722',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
