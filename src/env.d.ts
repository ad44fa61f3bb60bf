/// <reference types="astro/client" />
/// <reference types="vite-plugin-pwa/client" />
