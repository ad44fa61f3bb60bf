import { Notifications } from '@mantine/notifications';
import { useEffect } from 'react';

/** How tall the notices stand at the foot of the page: what else stands there moves up by it. */
const HEIGHT = '--notices-height';

/** What was done, at the foot of the page in a place of its own: it covers nothing, and what stands there moves up. */
export function Notices() {
  useEffect(() => {
    const place = document.getElementById('notices');
    if (!place) return;
    const observer = new ResizeObserver(() =>
      document.documentElement.style.setProperty(HEIGHT, `${place.offsetHeight}px`),
    );
    observer.observe(place);
    return () => observer.disconnect();
  }, []);
  return (
    <Notifications
      position="bottom-center"
      autoClose={6000}
      limit={3}
      transitionDuration={0}
      portalProps={{ target: '#notices' }}
    />
  );
}
