import type { NextConfig } from 'next';

const isolation = [
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Embedder-Policy', value: 'require-corp' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
];

// A worker goes by the policy of its own script, not by that of the page: none of them reaches another host or
// makes code of text; the pixel loops and decoders are WebAssembly.
const workerPolicy = {
  key: 'Content-Security-Policy',
  value: [
    `default-src 'self'`,
    `script-src 'self' 'wasm-unsafe-eval'`,
    `connect-src 'self'`,
    `worker-src 'self'`,
    `object-src 'none'`,
    `base-uri 'none'`,
  ].join('; '),
};

const config: NextConfig = {
  poweredByHeader: false,
  // It is served to this machine alone: packing would cost more than it saves.
  compress: false,
  reactStrictMode: true,
  outputFileTracingRoot: import.meta.dirname,
  turbopack: {
    root: import.meta.dirname,
    // The same library without what only old browsers need.
    resolveAlias: { dexie: 'dexie/dist/modern/dexie.min.mjs' },
  },
  sassOptions: {
    quietDeps: true,
    silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
  },
  async headers() {
    const all = { source: '/:path*', headers: isolation };
    // While developing, modules are put together by eval.
    if (process.env.NODE_ENV === 'development') return [all];
    return [all, { source: '/_next/static/:path*', headers: [workerPolicy] }];
  },
};

export default config;
