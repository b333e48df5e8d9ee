import { Component, type ReactNode } from 'react';
import { ScreenError } from './RouteError';

/** Keeps what fails in one screen to that screen: the rest of the app, Data among it, stays open. */
export class ScreenBoundary extends Component<{ children: ReactNode }, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: Error) {
    return { error };
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return <ScreenError error={error} retry={() => this.setState({ error: null })} />;
  }
}
