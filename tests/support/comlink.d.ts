declare module 'comlink/dist/esm/node-adapter.mjs' {
  import type { Endpoint } from 'comlink';

  /** Lets a Node message port speak as a browser's does. */
  export default function nodeEndpoint(port: unknown): Endpoint;
}
