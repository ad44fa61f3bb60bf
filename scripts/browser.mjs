// A headless Chromium from Debian, driven through ChromeDriver, with a profile of its own that is removed at the end.
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Builder, logging } from 'selenium-webdriver';
import chrome from 'selenium-webdriver/chrome.js';

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--disable-dev-shm-usage',
  // The browser's own search popups are pages too, and pages that were left are kept: neither is looked at here.
  '--disable-features=OmniboxPopup,WebUIOmniboxPopup,WebUIOmniboxAimPopup,WebUIOmniboxFullPopup,SpareRendererForSitePerProcess,BackForwardCache',
  '--hide-scrollbars',
  '--force-device-scale-factor=1',
  '--lang=en-GB',
];

/**
 * Opens a browser of the given size. `close` ends it and removes its profile.
 *
 * @param network - whether its requests are logged: dear, and of use only where they are looked at
 * @param profile - a folder for it that stays, in place of one of its own
 * @param been - the profile of a browser that has been there: its own begins as a copy of it
 */
export async function openBrowser({
  width = 1280,
  height = 800,
  downloads,
  flags = [],
  network = false,
  profile: kept,
  been,
} = {}) {
  const profile = kept ?? mkdtempSync(join(tmpdir(), 'cool-reel-profile-'));
  if (been) cpSync(been, profile, { recursive: true });
  const options = new chrome.Options();
  options.setBinaryPath('/usr/bin/chromium');
  options.addArguments(...FLAGS, ...flags, `--user-data-dir=${profile}`);
  if (downloads) options.setUserPreferences({ 'download.default_directory': downloads });
  const prefs = new logging.Preferences();
  prefs.setLevel(logging.Type.BROWSER, logging.Level.ALL);
  if (network) prefs.setLevel(logging.Type.PERFORMANCE, logging.Level.ALL);
  options.setLoggingPrefs(prefs);
  const service = new chrome.ServiceBuilder('/usr/bin/chromedriver');
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(service).build();
  await resize(driver, width, height);
  const close = async () => {
    await driver.quit().catch(() => {});
    if (!kept) rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  };
  return { driver, close };
}

/** Sets the size of the page itself, whatever the window's frame adds; phones too. */
export const resize = (driver, width, height) =>
  driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
    width,
    height,
    deviceScaleFactor: 1,
    mobile: width < 500,
  });
