import { Shell } from '../shell/Shell.tsx';

const LISTS = ['bodies', 'cards'] as const;

export default function DrillView() {
  return (
    <Shell frame="drill" lists={LISTS}>
      {() => <h1>Drill</h1>}
    </Shell>
  );
}
