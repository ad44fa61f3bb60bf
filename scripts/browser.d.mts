import type { WebDriver } from 'selenium-webdriver';

/** Types of what the tests use of browser.mjs. */
export function openBrowser(options?: {
  readonly width?: number;
  readonly height?: number;
  readonly downloads?: string;
  /** More of the browser's own switches. */
  readonly flags?: readonly string[];
}): Promise<{ readonly driver: WebDriver; readonly close: () => Promise<void> }>;
export function resize(driver: WebDriver, width: number, height: number): Promise<void>;
