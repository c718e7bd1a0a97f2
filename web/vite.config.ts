import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: { sourcemap: false, assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:8080' } },
  // Machines are shared: what takes one second here may take ten.
  test: { environment: 'jsdom', setupFiles: ['./src/test/setup.ts'], css: false, testTimeout: 30_000 },
});
