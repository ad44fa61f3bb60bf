import node from '@astrojs/node';
import react from '@astrojs/react';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  // The calls keep no state and no cookie; a wrong content type is refused by the calls themselves, in their own shape.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  // Every style and script is a file of this origin: the Content-Security-Policy allows nothing else.
  build: { inlineStylesheets: 'never' },
  vite: {
    build: { assetsInlineLimit: 0, target: 'es2022' },
    css: { modules: { localsConvention: 'camelCaseOnly' } },
  },
});
