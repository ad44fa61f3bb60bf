import { putAside } from '../../app/kit/settings.ts';
import type { Settings } from '../../kit/kit.ts';
import { useChange } from '../../ui/useChange.ts';

interface QuickAsideProps {
  /** As it is kept. */
  readonly word: string;
  readonly settings: Settings;
}

/** A word that was asked about does not matter, in this kit, from now on. */
export default function QuickAside({ word, settings }: QuickAsideProps) {
  const change = useChange();
  return (
    <button type="button" className="plain-button" onClick={() => void change(() => putAside(word, settings))}>
      it does not matter
    </button>
  );
}
