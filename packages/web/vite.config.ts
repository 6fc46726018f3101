import { constants } from 'node:zlib';
import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';
import { compression, defineAlgorithm } from 'vite-plugin-compression2';
import { VitePWA } from 'vite-plugin-pwa';

const LARGEST_CHUNK = 3 * 1024 ** 2; // bytes; every file of the application is kept for use without the server

const BUILD = `${Date.now().toString(36)}`; // another each time: what one build keeps of a result another does not read

export default defineConfig({
  define: { BUILD: JSON.stringify(BUILD) },
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      // a newer version waits until the person says so: src/offline/
      registerType: 'prompt',
      injectRegister: false,
      filename: 'service-worker.js',
      manifest: {
        name: 'Endrel',
        short_name: 'Endrel',
        description: 'Measuring, arithmetic and judgement for conversion fitters',
        lang: 'en-GB',
        display: 'standalone',
        start_url: '/',
        background_color: '#f4eee0',
        theme_color: '#1c1a15',
        icons: [
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
          { src: '/mark.svg', sizes: 'any', type: 'image/svg+xml' },
        ],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,html,svg,png,webmanifest}', '**/*-{latin,greek}-*.woff2'],
        maximumFileSizeToCacheInBytes: LARGEST_CHUNK,
        navigateFallback: '/index.html',
        navigateFallbackDenylist: [/^\/api\//],
        cleanupOutdatedCaches: true,
      },
    }),
    // the server sends these as they are
    compression({
      include: /\.(js|css|html|svg|webmanifest)$/,
      algorithms: [
        defineAlgorithm('gzip', { level: 9 }),
        defineAlgorithm('brotliCompress', { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }),
      ],
    }),
  ],
  worker: { format: 'es' },
  build: { target: 'es2023', chunkSizeWarningLimit: 900 },
});
