import { takeBack } from '../../app/kit/settings.ts';
import type { Settings } from '../../kit/kit.ts';
import { useChange } from '../../ui/useChange.ts';

interface QuickTakeBackProps {
  readonly words: readonly string[];
  readonly settings: Settings;
}

/** Words that were put aside: each is asked about again with one press. */
export default function QuickTakeBack({ words, settings }: QuickTakeBackProps) {
  const change = useChange();
  return words.map((word) => (
    <button
      key={word}
      type="button"
      className="plain-button"
      onClick={() => void change(() => takeBack(word.toLowerCase(), settings))}
    >
      ask about “{word}” again
    </button>
  ));
}
