import { Button, CopyButton } from '@mantine/core';
import { Component, type FormEvent, type ReactNode } from 'react';

interface Props {
  children: ReactNode;
}
interface State {
  failed?: Error;
}

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const nameOf = (field: Field): string =>
  field.labels?.[0]?.textContent || field.getAttribute('aria-label') || field.name || 'a field';

/** Shows what went wrong where a page cannot be shown, with what was typed on it; the other pages stay. */
export class PageBoundary extends Component<Props, State> {
  override state: State = {};
  /** By field, what was typed last: a page that fails takes its fields with it. */
  private readonly typed = new Map<string, string>();

  static getDerivedStateFromError(failed: Error): State {
    return { failed };
  }

  private readonly note = ({ target }: FormEvent<HTMLDivElement>) => {
    const field = target as unknown as Field;
    if (field instanceof HTMLInputElement && ['password', 'file'].includes(field.type)) return;
    this.typed.set(nameOf(field), field.value);
  };

  override render() {
    if (!this.state.failed)
      return (
        <div onInput={this.note} style={{ display: 'contents' }}>
          {this.props.children}
        </div>
      );
    const typed = [...this.typed].filter(([, value]) => value !== '');
    return (
      <div className="note bad" role="alert">
        <h1>This page cannot be shown</h1>
        <p>
          Something in the application went wrong; your records are safe. Try again, or take another page.
        </p>
        {typed.length > 0 && (
          <>
            <p>What you typed on it:</p>
            <ul>
              {typed.map(([name, value]) => (
                <li key={name}>
                  {name}: <b>{value}</b>
                </li>
              ))}
            </ul>
          </>
        )}
        <div className="line">
          <Button onClick={() => this.setState({ failed: undefined })}>Try again</Button>
          {typed.length > 0 && (
            <CopyButton value={typed.map(([name, value]) => `${name}: ${value}`).join('\n')}>
              {({ copied, copy }) => (
                <Button variant="outline" onClick={copy}>
                  {copied ? 'Copied' : 'Copy what I typed'}
                </Button>
              )}
            </CopyButton>
          )}
          <Button component="a" href="/" variant="outline">
            Today
          </Button>
        </div>
        <p className="small soft">{this.state.failed.message}</p>
      </div>
    );
  }
}
