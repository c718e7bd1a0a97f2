import { Button, type ButtonProps } from '@mantine/core';
import type { CSSProperties, ReactNode } from 'react';
import { t } from '../text/text';
import { useKept, type Duty } from '../ui/roles';
import { FieldProblems } from './field-problem';
import { Question } from './Question';
import type { Submit } from './use-submit';
import { Problem } from '../ui/States';

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
  /** What saving it needs; work on the trees unless it says otherwise. */
  duty?: Duty;
  className?: string;
  style?: CSSProperties;
  children: ReactNode;
}

/** The form of a record: its fields, what is wrong beyond them, the server's question, and what to do. */
export function RecordForm<A>(props: Props<A>) {
  const {
    form,
    of,
    save,
    cancel,
    beside,
    inline,
    duty = 'WORK',
    className,
    style,
    children,
    ...button
  } = props;
  const kept = useKept(duty);
  const buttons = (
    <>
      {save && !kept && (
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
      <FieldProblems value={form.errorFor}>{children}</FieldProblems>
      {inline && buttons}
      <Problem>{form.general}</Problem>
      {save && kept && (
        <p className="small soft">
          {t(kept === 'VIEWER' ? 'not-allowed.worker' : 'not-allowed.manager', { role: kept })}
        </p>
      )}
      {!inline && <div className="line">{buttons}</div>}
      <Question question={form.question} />
    </form>
  );
}
