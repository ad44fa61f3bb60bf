import node from '@astrojs/node';
import react from '@astrojs/react';
import AstroPWA from '@vite-pwa/astro';
import { defineConfig, passthroughImageService } from 'astro/config';
import { compressed, finishedPages, httpServer, recogniser } from './build/integrations.ts';

/** Modules that must not be merged into what every visit carries, and the part they are in. */
const OWN_CHUNKS: readonly (readonly [RegExp, string])[] = [
  [/demo\.coolreel\.json/, 'demo'],
  [/\/ui\/DropZone\.tsx$/, 'dropped'],
  [/\/src\/(?:core|text|app|reading)\/shop\//, 'shop'],
  [/\/src\/(?:core|text|app)\/drill\//, 'drill'],
];

export default defineConfig({
  // Pages are files: any static host serves them. The calls are answered by a server, behind one of our own.
  output: 'static',
  adapter: node({ mode: 'middleware' }),
  integrations: [
    react(),
    finishedPages(),
    AstroPWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'sw.ts',
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Cool Reel',
        short_name: 'Cool Reel',
        description: 'Will this card hold this mode, for how many minutes, and will heat stop it first?',
        theme_color: '#f5f3ec',
        background_color: '#f5f3ec',
        display: 'standalone',
        id: '/',
        scope: '/',
        start_url: '/',
        icons: [
          { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' },
          { src: '/icon-192.png', sizes: '192x192', type: 'image/png', purpose: 'any' },
          { src: '/icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'any' },
          { src: '/icon-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
        shortcuts: [
          { name: 'Ask', url: '/' },
          { name: 'On the day', url: '/day?at=live' },
          { name: 'Log a take', url: '/prove?new' },
        ],
      },
      injectManifest: {
        globPatterns: ['**/*.{html,js,css,woff2,svg,png,wasm}', 'guide-index.json'],
        // Kept when a person says so, not with the rest.
        globIgnores: ['recogniser/**'],
        // Every file by its own name: any static host has it there.
        manifestTransforms: [(manifest) => ({ manifest, warnings: [] })],
        maximumFileSizeToCacheInBytes: 4_000_000,
      },
    }),
    recogniser(),
    compressed(),
    httpServer(),
  ],
  // No picture is worked on: there is no endpoint to abuse.
  image: { service: passthroughImageService() },
  // The calls keep no state and no cookie; a wrong content type is refused by the calls themselves, in their own shape.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  // Every style and script is a file of this origin: the Content-Security-Policy allows nothing else.
  build: { inlineStylesheets: 'never', format: 'directory' },
  vite: {
    build: {
      assetsInlineLimit: 0,
      target: 'es2022',
      rollupOptions: {
        output: {
          experimentalMinChunkSize: 2000,
          // Data that a first visit may ask for and no other does: merged into another part, every visit would carry it.
          manualChunks: (id: string) => OWN_CHUNKS.find(([pattern]) => pattern.test(id))?.[1],
          onlyExplicitManualChunks: true,
        },
      },
    },
    css: { modules: { localsConvention: 'camelCaseOnly' } },
    worker: { format: 'es' },
  },
});
