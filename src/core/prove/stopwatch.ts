/** A take that is being timed. Times in milliseconds; `wall` is the clock on the wall, `page` one that nobody sets. */
export interface Watch {
  /** Page in which it was last seen: its clock begins anew with every load. */
  readonly pageId: string;
  readonly wall: number;
  readonly page: number;
  /** Run for certain, by the page's own clock. */
  readonly sure: number;
  /** More that may have passed by the wall: a page asleep or closed, or a clock that was set. */
  readonly doubt: number;
}

/** What both clocks say now. */
export interface Clocks {
  readonly pageId: string;
  readonly wall: number;
  readonly page: number;
}

/** Milliseconds by which two clocks may part in a second without meaning anything. */
const SLACK = 1500;
/** A reload takes no longer; a page that was closed for longer may have come back to a clock that was set. */
const RELOAD = 60_000;

export const startWatch = (now: Clocks): Watch => ({ ...now, sure: 0, doubt: 0 });

/**
 * Looks at both clocks. The page's own clock is believed, whatever the wall says. Over a reload only the wall tells, and it
 * is believed for as long as a reload takes, unless it went backwards. Where the wall ran ahead of the page, the page slept
 * behind a locked screen or the clock was set, which nothing here can tell apart: so much is in doubt, and both are shown.
 */
export function look(watch: Watch, now: Clocks): Watch {
  const byWall = Math.max(0, now.wall - watch.wall);
  if (now.pageId !== watch.pageId)
    return byWall <= RELOAD
      ? { ...now, sure: watch.sure + byWall, doubt: watch.doubt }
      : { ...now, sure: watch.sure, doubt: watch.doubt + byWall };
  const byPage = Math.max(0, now.page - watch.page);
  const ahead = byWall - byPage;
  return { ...now, sure: watch.sure + byPage, doubt: watch.doubt + (ahead > SLACK ? ahead : 0) };
}

/** How long it has run: for certain, and at the most. Equal where nothing is in doubt. */
export interface Ran {
  readonly leastSeconds: number;
  readonly mostSeconds: number;
}

export const ran = ({ sure, doubt }: Watch): Ran => ({
  leastSeconds: sure / 1000,
  mostSeconds: (sure + doubt) / 1000,
});
