import { Button, CopyButton } from '@mantine/core';
import { Component, type FormEvent, type ReactNode } from 'react';
import { t } from '../text/text';

interface Props {
  children: ReactNode;
}
interface State {
  failed?: Error;
}

type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const nameOf = (field: Field): string =>
  field.labels?.[0]?.textContent || field.getAttribute('aria-label') || field.name || t('broken.field');

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
        <h1>{t('broken.title')}</h1>
        <p>{t('broken.what')}</p>
        {typed.length > 0 && (
          <>
            <p>{t('broken.typed')}</p>
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
          <Button onClick={() => this.setState({ failed: undefined })}>{t('do.try-again')}</Button>
          {typed.length > 0 && (
            <CopyButton value={typed.map(([name, value]) => `${name}: ${value}`).join('\n')}>
              {({ copied, copy }) => (
                <Button variant="outline" onClick={copy}>
                  {copied ? t('broken.copied') : t('broken.copy')}
                </Button>
              )}
            </CopyButton>
          )}
          <Button component="a" href="/" variant="outline">
            {t('page.today')}
          </Button>
        </div>
        <p className="small soft">{this.state.failed.message}</p>
      </div>
    );
  }
}
