import { Component, type ComponentType, type ErrorInfo, lazy, type ReactNode, Suspense, useState } from 'react';
import { partFailedText, reportText } from '../text/kit/storeMessage.ts';
// What a part was asked for with is noted before the part is there.
import './pressed.ts';

interface BoundaryProps {
  readonly onAgain: () => void;
  /** What the part is called where it stopped. */
  readonly name?: string | undefined;
  readonly children: ReactNode;
}

interface BoundaryState {
  readonly thrown: unknown;
  readonly report: string;
}

/** Catches what cannot be loaded or drawn, so that the rest of the page stays. */
class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = { thrown: null, report: '' };

  static getDerivedStateFromError(thrown: unknown) {
    return { thrown };
  }

  override componentDidCatch(thrown: unknown, { componentStack }: ErrorInfo) {
    const { href } = window.location;
    this.setState({ report: reportText({ thrown, parts: componentStack ?? '', href, browser: navigator.userAgent }) });
  }

  override render() {
    const { thrown, report } = this.state;
    const { name } = this.props;
    if (thrown === null) return this.props.children;
    return (
      <div className="part-failed" role="alert">
        <p>
          {name && <b>{name}: </b>}
          {partFailedText(thrown)}
        </p>
        <p>
          <button
            type="button"
            className="ink-button"
            onClick={() => {
              this.setState({ thrown: null, report: '' });
              this.props.onAgain();
            }}
          >
            Try again
          </button>{' '}
          <button type="button" className="ink-button" onClick={() => window.location.reload()}>
            Reload
          </button>
        </p>
        {report !== '' && (
          <details>
            <summary>What happened, as text to pass on</summary>
            <textarea
              readOnly
              rows={6}
              aria-label="Report"
              value={report}
              onFocus={(event) => event.currentTarget.select()}
            />
          </details>
        )}
      </div>
    );
  }
}

type Load<P> = () => Promise<{ readonly default: ComponentType<P> }>;

/**
 * A part of the page that comes when it is first drawn. Where it cannot be loaded (a place without a network, a server that
 * has a newer version) it says so in its place, and the rest of the page goes on.
 *
 * @param waiting - shown until it is there
 */
export function part<P extends object>(load: Load<P>, waiting: (props: P) => ReactNode = () => null): ComponentType<P> {
  const First = lazy(load);
  return function Part(props: P) {
    // A failed import is remembered by the lazy component: another try needs another one.
    const [Shown, setShown] = useState(() => First);
    return (
      <Boundary onAgain={() => setShown(() => lazy(load))}>
        <Suspense fallback={waiting(props)}>
          <Shown {...props} />
        </Suspense>
      </Boundary>
    );
  };
}

/** What is drawn inside fails alone. */
export function Alone({ name, children }: { readonly name?: string; readonly children: ReactNode }) {
  const [round, setRound] = useState(0);
  return (
    <Boundary name={name} onAgain={() => setRound(round + 1)}>
      <div key={round} style={{ display: 'contents' }}>
        {children}
      </div>
    </Boundary>
  );
}
