/// <reference types="astro/client" />
/// <reference types="vite-plugin-pwa/client" />

declare namespace App {
  interface Locals {
    /** Where heavy calls are worked out; missing on the development server. */
    readonly work?: import('./server/heavy/work.ts').Work;
  }
}
