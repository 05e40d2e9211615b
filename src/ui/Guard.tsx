'use client';
import { Component, type ReactNode } from 'react';

interface Props {
  /** What is within, as the sentence begins: “This place”, “The sheet ‘Mugs’”. */
  what: string;
  /** Takes what is within out of the shop, where it is one record. */
  onTakeOut?: () => void;
  /** What stands there when it cannot be shown, instead of the sentence with its ways on. */
  instead?: ReactNode;
  children: ReactNode;
}

/** Keeps what cannot be shown from taking the rest of the page with it: it is told, with ways on. */
export class Guard extends Component<Props, { failed: boolean }> {
  override state = { failed: false };

  static getDerivedStateFromError(): { failed: boolean } {
    return { failed: true };
  }

  override render(): ReactNode {
    const { what, onTakeOut, instead, children } = this.props;
    if (!this.state.failed) return children;
    if (instead !== undefined) return instead;
    return (
      <div className="p-6">
        <p role="alert" className="max-w-prose">
          {what} cannot be shown: something in it is not as it should be. The rest of the shop is whole.
        </p>
        <p className="mt-3 flex gap-5">
          <button
            className="verb"
            onClick={() => {
              this.setState({ failed: false });
            }}
          >
            Try again
          </button>
          {onTakeOut && (
            <button className="verb" onClick={onTakeOut}>
              Take it out
            </button>
          )}
        </p>
      </div>
    );
  }
}
