import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  build: {
    outDir: '../src/Merienda.Web/wwwroot',
    emptyOutDir: true,
    // Nothing is inlined: the content security policy takes fonts and images from this origin only.
    assetsInlineLimit: 0,
  },
  // ./merienda dev: pages come from here, everything else from the server behind.
  server: { host: 'localhost', proxy: { '^/(api|openapi|health)': process.env.MERIENDA_API ?? 'http://127.0.0.1:5081' } },
  test: { environment: 'jsdom', include: ['src/**/*.test.{ts,tsx}'], setupFiles: ['src/afterEachTest.ts'], testTimeout: 60_000 },
});
