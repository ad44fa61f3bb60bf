import type { Body } from '../../core/kit/model.ts';
import { Dialog } from '../../ui/Dialog.tsx';
import { BusToTell } from '../bodies/BusToTell.tsx';

/** What is not entered of a camera's slots, over its rows: answered in one press, and its answers follow. */
export default function BusDialog({ body, onClose }: { readonly body: Body; readonly onClose: () => void }) {
  return (
    <Dialog opened onClose={onClose} title={`${body.name}: the bus of its slots`} size="md">
      <BusToTell bodies={[body]} />
    </Dialog>
  );
}
