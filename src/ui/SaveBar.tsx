import css from './form.module.css';

interface SaveBarProps {
  readonly changed: boolean;
  /** Fields that need another look. */
  readonly problems: number;
  readonly onDiscard: () => void;
  readonly inPanel?: boolean;
}

/** Save and Discard at the foot of a form, and how many fields stand in the way. */
export function SaveBar({ changed, problems, onDiscard, inPanel }: SaveBarProps) {
  return (
    <div className={`${css.actions} ${inPanel ? css.panelSticky : css.sticky}`}>
      <button type="submit" className="ink-button" data-strong disabled={!changed}>
        Save
      </button>
      {changed && (
        <button type="button" className="ink-button" onClick={onDiscard}>
          Discard
        </button>
      )}
      {problems > 0 && (
        <span className="tone-hot" role="alert">
          {problems === 1 ? 'One field needs' : `${problems} fields need`} another look. Nothing was saved.
        </span>
      )}
    </div>
  );
}
