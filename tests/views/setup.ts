import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

// What Mantine asks of a browser and a window without layout has not.
window.matchMedia ??= ((query: string) => ({
  matches: false,
  media: query,
  onchange: null,
  addEventListener: () => {},
  removeEventListener: () => {},
  addListener: () => {},
  removeListener: () => {},
  dispatchEvent: () => false,
})) as never;
window.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
} as never;

afterEach(cleanup);
