import { type DragEvent, type ReactNode, useRef, useState } from 'react';
import css from './DropZone.module.css';

interface DropZoneProps {
  readonly label: string;
  /** What the button says. */
  readonly choose: string;
  readonly accept: string;
  readonly multiple?: boolean;
  readonly children?: ReactNode;
  readonly onFiles: (files: readonly File[]) => void;
}

/** A place to let files fall onto, with a button that does the same for everybody else. */
export function DropZone({ label, choose, accept, multiple = false, children, onFiles }: DropZoneProps) {
  const input = useRef<HTMLInputElement>(null);
  const [isOver, setOver] = useState(false);
  const drop = (event: DragEvent<HTMLElement>): void => {
    event.preventDefault();
    setOver(false);
    const files = [...event.dataTransfer.files];
    if (files.length > 0) onFiles(multiple ? files : files.slice(0, 1));
  };
  return (
    <section
      className={css.zone}
      aria-label={label}
      data-over={isOver || undefined}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <button type="button" className="ink-button" onClick={() => input.current?.click()}>
        {choose}
      </button>
      <span className={css.label}>{label}</span>
      {children}
      <input
        ref={input}
        type="file"
        accept={accept}
        multiple={multiple}
        className="unseen"
        tabIndex={-1}
        aria-label={choose}
        onChange={(event) => {
          const files = [...(event.currentTarget.files ?? [])];
          event.currentTarget.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </section>
  );
}
