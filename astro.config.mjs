import node from '@astrojs/node';
import react from '@astrojs/react';
import AstroPWA from '@vite-pwa/astro';
import { defineConfig } from 'astro/config';

const PAGES = ['/', '/bodies', '/cards', '/crew', '/heat', '/prove', '/day', '/shop', '/drill', '/guide'];
// A page changes with every build, since it names the build's files.
const BUILD = String(Date.now());

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [
    react(),
    AstroPWA({
      registerType: 'prompt',
      injectRegister: false,
      manifest: {
        name: 'Cool Reel',
        short_name: 'Cool Reel',
        description: 'Will this card hold this mode, for how many minutes, and will heat stop it first?',
        theme_color: '#f5f3ec',
        background_color: '#f5f3ec',
        display: 'standalone',
        start_url: '/',
        icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml', purpose: 'any' }],
      },
      workbox: {
        globPatterns: ['**/*.{js,css,woff2,svg,wasm}'],
        maximumFileSizeToCacheInBytes: 4_000_000,
        // Pages are drawn by the server: each is kept as a file of this build, with the policy it was sent under.
        additionalManifestEntries: PAGES.map((url) => ({ url, revision: BUILD })),
        navigateFallback: null,
        ignoreURLParametersMatching: [/^q$/, /^open$/],
        directoryIndex: null,
      },
    }),
  ],
  // The calls keep no state and no cookie; a wrong content type is refused by the calls themselves, in their own shape.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  // Every style and script is a file of this origin: the Content-Security-Policy allows nothing else.
  build: { inlineStylesheets: 'never' },
  vite: {
    build: { assetsInlineLimit: 0, target: 'es2022' },
    css: { modules: { localsConvention: 'camelCaseOnly' } },
    worker: { format: 'es' },
  },
});
