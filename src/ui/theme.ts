import { createTheme, Drawer, Modal, MultiSelect, Notification, Select, TagsInput } from '@mantine/core';

const still = { transitionProps: { duration: 0 } } as const;
const close = { closeButtonProps: { 'aria-label': 'Close' } } as const;
// Their heads are no banners of the page.
const headed = { attributes: { header: { role: 'presentation' } } } as const;
const list = { defaultProps: { comboboxProps: still } } as const;

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
        ...still,
        ...close,
        ...headed,
        overlayProps: { backgroundOpacity: 0.35 },
      },
    }),
    Drawer: Drawer.extend({ defaultProps: { lockScroll: false, ...still, ...close, ...headed } }),
    Notification: Notification.extend({ defaultProps: { closeButtonProps: { 'aria-label': 'Dismiss' } } }),
    MultiSelect: MultiSelect.extend(list),
    Select: Select.extend(list),
    TagsInput: TagsInput.extend(list),
  },
});
