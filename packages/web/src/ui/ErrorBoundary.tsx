import { Component, type ReactNode } from 'react';
import { Button } from './Button';
import { Notice } from './Notice';

interface Props {
  /** What stands here, "the page", "the water". */
  what: string;
  children: ReactNode;
}

/** A part that was never fetched: the connection broke, or Freshet was updated meanwhile. */
const isMissingPart = (error: Error) =>
  /dynamically imported module|module script failed|Importing a module/i.test(error.message);

/** Keeps a fault in one part from emptying the rest of the page, and says what to do. */
export class ErrorBoundary extends Component<Props, { error: Error | null }> {
  override state: { error: Error | null } = { error: null };

  static getDerivedStateFromError(error: unknown): { error: Error } {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  override render(): ReactNode {
    const { error } = this.state;
    if (!error) return this.props.children;
    const missing = isMissingPart(error);
    return (
      <Notice look="rust" alert>
        <p className="font-semibold">
          {missing ? `${this.props.what} could not be fetched.` : `${this.props.what} cannot be shown.`}
        </p>
        <p>
          {missing
            ? 'The connection broke, or Freshet was updated meanwhile. What you logged is kept.'
            : 'This is a fault of the program, not of what you logged: all of it is kept. The rest of the page works.'}
        </p>
        <Button className="mt-3" onClick={() => (missing ? window.location.reload() : this.setState({ error: null }))}>
          {missing ? 'Fetch it again' : 'Try again'}
        </Button>
      </Notice>
    );
  }
}
