import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';
import { icuMessages } from './icu-messages.ts';

export default defineConfig({
  plugins: [
    react(),
    icuMessages(),
    VitePWA({
      // A new version waits until the application is opened anew: never in the middle of a walk.
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Even Hand',
        short_name: 'Even Hand',
        description: 'For growers who pollinate by hand',
        start_url: '/',
        display: 'standalone',
        theme_color: '#26352f',
        background_color: '#f5f0e6',
        icons: [{ src: '/mark.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2,webmanifest}'],
        globIgnores: ['**/*-{cyrillic,cyrillic-ext,greek,vietnamese}-*'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//, /^\/actuator\//, /^\/v3\//],
      },
    }),
  ],
  // Messages come parsed.
  resolve: {
    alias: { '@formatjs/icu-messageformat-parser': '@formatjs/icu-messageformat-parser/no-parser.js' },
  },
  build: { sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:8080' } },
  // Machines are shared: what takes one second here may take ten. Files of a thread share one page, as a new one for each takes four times
  // as long; those that put a module of their own in another's place (*.alone.test.tsx) have it to themselves.
  test: {
    environment: 'jsdom',
    setupFiles: ['./src/test/setup.ts'],
    css: false,
    testTimeout: 30_000,
    unstubGlobals: true,
    restoreMocks: true,
    projects: [
      {
        extends: true,
        test: {
          name: 'shared',
          include: ['src/**/*.test.{ts,tsx}'],
          exclude: ['**/*.alone.test.tsx'],
          isolate: false,
        },
      },
      { extends: true, test: { name: 'alone', include: ['src/**/*.alone.test.tsx'] } },
    ],
  },
});
