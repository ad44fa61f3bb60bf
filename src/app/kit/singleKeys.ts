const KEY = 'cool-reel-single-keys';

/** Whether keys do something by themselves in this browser; they do until switched off. */
export function singleKeysOn(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off';
  } catch {
    return true;
  }
}

/** @returns whether this browser could keep it */
export function switchSingleKeys(on: boolean): boolean {
  try {
    localStorage.setItem(KEY, on ? 'on' : 'off');
    return true;
  } catch {
    return false;
  }
}
