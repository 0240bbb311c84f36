'use client';

import { Component, type ReactNode } from 'react';
import { reportError } from '../data/report-error.ts';

interface Props {
  /** what is inside, as it is called on the screen and in the log */
  readonly name: string;
  readonly children: ReactNode;
}

interface State {
  readonly error: Error | null;
  /** whether what is inside hears keys and taps already */
  readonly alive: boolean;
}

/** Keeps a fault of one part to that part: the rest of the page goes on, and the part can be opened again. */
export class LeafBoundary extends Component<Props, State> {
  override state: State = { error: null, alive: false };

  override componentDidMount(): void {
    this.setState({ alive: true });
  }

  static getDerivedStateFromError(error: Error): Pick<State, 'error'> {
    return { error };
  }

  override componentDidCatch(error: Error): void {
    reportError(this.props.name, error);
  }

  override render(): ReactNode {
    if (this.state.error === null)
      return (
        <div className="contents" data-ready={this.state.alive ? '' : undefined}>
          {this.props.children}
        </div>
      );
    return (
      <section role="alert" className="my-4 max-w-xl border border-rubric p-4">
        <h2 className="text-xl">{this.props.name} cannot be shown</h2>
        <p className="my-2">
          A fault of Rubrica, written to its log. What was saved is safe, and what you typed is kept on this
          tablet.
        </p>
        <button type="button" className="button button-main" onClick={() => this.setState({ error: null })}>
          Open it again
        </button>
      </section>
    );
  }
}
