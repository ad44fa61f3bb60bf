import { Component, type ComponentType, lazy, type ReactNode, Suspense, useState } from 'react';
import { partFailedText } from '../text/kit/storeMessage.ts';

interface BoundaryProps {
  readonly onAgain: () => void;
  readonly children: ReactNode;
}

/** Catches what cannot be loaded or drawn, so that the rest of the page stays. */
class Boundary extends Component<BoundaryProps, { readonly thrown: unknown }> {
  override state = { thrown: null };

  static getDerivedStateFromError(thrown: unknown) {
    return { thrown };
  }

  override render() {
    const { thrown } = this.state;
    if (thrown === null) return this.props.children;
    return (
      <div className="part-failed" role="alert">
        <p>{partFailedText(thrown)}</p>
        <p>
          <button
            type="button"
            className="ink-button"
            onClick={() => {
              this.setState({ thrown: null });
              this.props.onAgain();
            }}
          >
            Try again
          </button>{' '}
          <button type="button" className="ink-button" onClick={() => window.location.reload()}>
            Reload
          </button>
        </p>
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
export function Alone({ children }: { readonly children: ReactNode }) {
  const [round, setRound] = useState(0);
  return (
    <Boundary onAgain={() => setRound(round + 1)}>
      <div key={round} style={{ display: 'contents' }}>
        {children}
      </div>
    </Boundary>
  );
}
