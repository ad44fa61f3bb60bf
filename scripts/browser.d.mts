import type { WebDriver } from 'selenium-webdriver';

/** Types of what the tests use of browser.mjs. */
export function openBrowser(options?: {
  readonly width?: number;
  readonly height?: number;
  readonly downloads?: string;
  /** More of the browser's own switches. */
  readonly flags?: readonly string[];
  /** A folder for its profile that stays, in place of one of its own. */
  readonly profile?: string;
  /** The profile of a browser that has been there: its own begins as a copy of it. */
  readonly been?: string | undefined;
}): Promise<{ readonly driver: WebDriver; readonly close: () => Promise<void> }>;
export function resize(driver: WebDriver, width: number, height: number): Promise<void>;
