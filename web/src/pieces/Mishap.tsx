import { Component, type ReactNode } from 'react';
import { Button } from './Button';

/** What is wrong on one page stays on it: the places round it can still be gone to. */
export class Mishap extends Component<{ at?: string; children: ReactNode }, { isWrong: boolean }> {
  override state = { isWrong: false };

  static getDerivedStateFromError = () => ({ isWrong: true });

  override componentDidUpdate(before: { at?: string }) {
    if (this.state.isWrong && before.at !== this.props.at) this.setState({ isWrong: false });
  }

  override render() {
    if (!this.state.isWrong) return this.props.children;
    return (
      <div role="alert" className="m-6 max-w-md">
        <p className="font-semibold">This page could not be shown.</p>
        <p className="mb-3 text-steel">What was confirmed is kept. Load the page again, or go to another place.</p>
        <Button onClick={() => location.reload()}>Load it again</Button>
      </div>
    );
  }
}
