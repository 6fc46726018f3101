import { Component, type ReactNode } from 'react';

/** Keeps the page when one drawing cannot be made, as in a browser without WebGL. */
export class DrawingBoundary extends Component<{ fallback: string; children: ReactNode }, { failed: boolean }> {
  override state = { failed: false };
  static getDerivedStateFromError = () => ({ failed: true });
  override render() {
    return this.state.failed ? <p className="sheet p-4 text-ink-soft">{this.props.fallback}</p> : this.props.children;
  }
}
