import { Button, type ButtonProps } from '@mantine/core';
import { useContext, type CSSProperties, type ReactNode } from 'react';
import { t } from '../text/text';
import { HereContext } from '../ui/orchard-context';
import { Question } from './Question';
import type { Submit } from './use-submit';

interface Props<A> extends Pick<ButtonProps, 'disabled' | 'size' | 'variant'> {
  form: Submit<A>;
  /** What is sent, where the form does not know it by itself. */
  of?: A;
  /** What the button says; without it there is none, for those who may not. */
  save: ReactNode;
  cancel?: (() => void) | undefined;
  /** Beside the buttons. */
  beside?: ReactNode;
  /** Fields and button in one line. */
  inline?: boolean;
  /** Of one's own account, which viewers change too. */
  ofAccount?: boolean;
  className?: string;
  style?: CSSProperties;
  children: ReactNode;
}

/** The form of a record: its fields, what is wrong beyond them, the server's question, and what to do. */
export function RecordForm<A>(props: Props<A>) {
  const { form, of, save, cancel, beside, inline, ofAccount, className, style, children, ...button } = props;
  const views = useContext(HereContext)?.session.role === 'VIEWER' && !ofAccount;
  const buttons = (
    <>
      {save && !views && (
        <Button type="submit" loading={form.busy} {...button}>
          {save}
        </Button>
      )}
      {cancel && (
        <Button variant="subtle" onClick={cancel}>
          {t('do.cancel')}
        </Button>
      )}
      {beside}
    </>
  );
  return (
    <form
      className={className ?? (inline ? 'line' : 'stack')}
      style={inline ? { alignItems: 'flex-end', ...style } : style}
      onSubmit={(e) => {
        e.preventDefault();
        form.submit(of as A);
      }}
    >
      {children}
      {inline && buttons}
      {form.general && (
        <p className="note bad" role="alert">
          {form.general}
        </p>
      )}
      {views && <p className="small soft">{t('not-allowed.worker')}</p>}
      {!inline && <div className="line">{buttons}</div>}
      <Question question={form.question} />
    </form>
  );
}
