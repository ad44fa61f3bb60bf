/** Dialogs of the kit as a whole, that may be asked for from elsewhere. */
export type KitDialog = 'import' | 'history' | 'snapshots' | 'storage' | 'aside';

let listener: ((dialog: KitDialog) => void) | null = null;
let waiting: KitDialog | null = null;

/** Opens a dialog of the kit's menu; where the menu is not there yet, as soon as it is. */
export function wishDialog(dialog: KitDialog): void {
  if (listener) listener(dialog);
  else waiting = dialog;
}

/** Told what is wished, once per wish. */
export function onWish(open: (dialog: KitDialog) => void): () => void {
  listener = open;
  if (waiting) open(waiting);
  waiting = null;
  return () => {
    if (listener === open) listener = null;
  };
}
