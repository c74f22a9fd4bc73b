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
          {missing ? `${this.props.what} couldn’t be loaded.` : `${this.props.what} can’t be shown.`}
        </p>
        <p>
          {missing
            ? 'The connection dropped, or Freshet was updated. What you logged is safe.'
            : 'Something broke in Freshet, not in what you logged. It’s all safe, and the rest of the page works.'}
        </p>
        <Button className="mt-3" onClick={() => (missing ? window.location.reload() : this.setState({ error: null }))}>
          {missing ? 'Load again' : 'Try again'}
        </Button>
      </Notice>
    );
  }
}
