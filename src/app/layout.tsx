import '@fontsource-variable/atkinson-hyperlegible-next/wght.css';
import '@fontsource-variable/atkinson-hyperlegible-mono/wght.css';
import '../styles/index.scss';
import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import { NuqsAdapter } from 'nuqs/adapters/next/app';
import { Suspense, type ReactNode } from 'react';
import { Shell } from '#ui/shell/Shell.tsx';

export const metadata: Metadata = {
  title: 'Candelum',
  description: 'An exposure bench for people who shoot log and flat video.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1, themeColor: '#141414' };

// Each page is made per request: its scripts carry the nonce of proxy.ts, which headers() makes available.
const Layout = async ({ children }: { children: ReactNode }) => {
  await headers();
  return (
    <html lang="en" data-bs-theme="dark" data-surround="dark" suppressHydrationWarning>
      <body>
        <NuqsAdapter>
          <Suspense>
            <Shell>{children}</Shell>
          </Suspense>
        </NuqsAdapter>
      </body>
    </html>
  );
};

export default Layout;
