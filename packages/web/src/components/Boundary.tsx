import { Component, type ComponentType, type ReactNode } from 'react';
import { UndoLast } from './UndoLast.tsx';

interface BoundaryProps {
  /** What it holds, as in “The pressure chart could not be drawn”. */
  readonly what: string;
  /** Whenever one of these is another, it is tried again. */
  readonly tries?: readonly unknown[];
  /** What else can be done, beside undoing and trying again. */
  readonly ways?: ReactNode;
  onFailed?(): void;
  readonly children: ReactNode;
}
interface BoundaryState {
  readonly error?: Error;
  readonly tries: readonly unknown[];
}

/** Keeps the rest of the page alive when one piece of it cannot be drawn: says which and why, and what can be done. */
export class Boundary extends Component<BoundaryProps, BoundaryState> {
  override state: BoundaryState = { tries: this.props.tries ?? [] };

  static getDerivedStateFromError = (error: unknown): Partial<BoundaryState> => ({
    error: error instanceof Error ? error : new Error(String(error)),
  });

  static getDerivedStateFromProps({ tries = [] }: BoundaryProps, state: BoundaryState): BoundaryState | null {
    if (tries.length === state.tries.length && tries.every((t, i) => t === state.tries[i])) return null;
    return { tries }; // without the error: what it was drawn from has changed
  }

  override componentDidCatch(): void {
    this.props.onFailed?.();
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (!error) return this.props.children;
    return (
      <div role="alert" data-boundary={this.props.what} className="sheet my-2 border-l-4 border-l-stop px-4 py-2">
        <p className="font-semibold">{this.props.what} could not be drawn.</p>
        <p className="label my-1">
          {error.message}. Nothing that you entered is lost, and the rest of the page goes on.
        </p>
        <div className="flex flex-wrap gap-2">
          <UndoLast />
          <button className="button" onClick={() => this.setState({ error: undefined })}>
            Try again
          </button>
          {this.props.ways}
        </div>
      </div>
    );
  }
}

/** A drawing or a chart in a boundary of its own; it is tried again when it is given something else to draw. */
export function bounded<P extends object>(what: string, Drawn: ComponentType<P>): (props: P) => ReactNode {
  return function Bounded(props: P) {
    return (
      <Boundary what={what} tries={Object.values(props)}>
        <Drawn {...props} />
      </Boundary>
    );
  };
}
