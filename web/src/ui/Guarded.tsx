import { Component, type ReactNode } from 'react';
import { Button } from './Button';

interface Props {
  /** What stands here, as the beginning of a sentence. */
  of: string;
  children: ReactNode;
}

/** Something that can fail by itself: then the rest of the page stays, and it can be tried again. */
export class Guarded extends Component<Props, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override componentDidCatch(error: unknown): void {
    console.error(error);
  }

  override render(): ReactNode {
    if (!this.state.failed) {
      return this.props.children;
    }
    return (
      <div role="alert" className="p-4">
        <p className="text-stop mb-2">
          {this.props.of} cannot be shown: something in it failed. Nothing you chose is lost.
        </p>
        <Button onClick={() => this.setState({ failed: false })}>Try again</Button>
      </div>
    );
  }
}
