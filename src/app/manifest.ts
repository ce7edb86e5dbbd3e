import type { MetadataRoute } from 'next';

const ICON = { src: '/icons/candelum-512.png', sizes: '512x512', type: 'image/png' } as const;

/** What makes the app installable. */
const manifest = (): MetadataRoute.Manifest => ({
  name: 'Candelum',
  short_name: 'Candelum',
  description: 'An exposure bench for people who shoot log and flat video.',
  start_url: '/',
  scope: '/',
  display: 'standalone',
  background_color: '#141414',
  theme_color: '#141414',
  icons: [
    { src: '/icons/candelum-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
    { ...ICON, purpose: 'any' },
    { ...ICON, purpose: 'maskable' },
  ],
});

export default manifest;
