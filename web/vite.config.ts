import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { VitePWA } from 'vite-plugin-pwa';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    // The program itself is kept on the device; what people typed never is.
    VitePWA({
      registerType: 'prompt',
      injectRegister: null,
      includeAssets: ['favicon.svg', 'icon-180.png'],
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,woff2}'],
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/(api|openapi|health)/],
      },
      manifest: {
        name: 'Merienda',
        short_name: 'Merienda',
        description: 'Plan, cook and keep a week of containers.',
        start_url: '/',
        display: 'standalone',
        background_color: '#fbfcfe',
        theme_color: '#16213a',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
  ],
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
