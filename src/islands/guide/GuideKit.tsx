import { Themed } from '../../ui/Themed.tsx';
import { Notices } from '../shell/Notices.tsx';
import { useRoom } from '../shell/useRoom.ts';

const NO_LISTS = [] as const;

/** What goes on behind the guide as behind every view. It shows nothing: the guide is there whether the kit opens or not. */
export default function GuideKit() {
  useRoom(NO_LISTS);
  return (
    <Themed>
      <Notices />
    </Themed>
  );
}
