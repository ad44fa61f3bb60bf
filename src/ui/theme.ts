import { createTheme, Drawer, Modal } from '@mantine/core';

/**
 * The library's theme. Colours and type stand in tokens.css as variables; page scroll is never locked, since that
 * would need style elements that the Content-Security-Policy forbids.
 */
export const theme = createTheme({
  cursorType: 'pointer',
  respectReducedMotion: true,
  components: {
    Modal: Modal.extend({
      defaultProps: {
        lockScroll: false,
        centered: true,
        closeButtonProps: { 'aria-label': 'Close' },
        transitionProps: { duration: 0 },
        overlayProps: { backgroundOpacity: 0.35 },
      },
    }),
    Drawer: Drawer.extend({ defaultProps: { lockScroll: false, transitionProps: { duration: 0 } } }),
  },
});
