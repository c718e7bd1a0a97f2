import { Button, Loader } from '@mantine/core';
import type { UseQueryResult } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { t } from '../text/text';

/** Why data are not there, with the way to try again. */
function Failed({ of }: { of: UseQueryResult<unknown> & { error: Error } }) {
  return (
    <div className="note bad" role="alert">
      <p>{of.error.message}</p>
      <Button mt={8} variant="outline" color="red.9" onClick={() => void of.refetch()}>
        {t('do.try-again')}
      </Button>
    </div>
  );
}

/** Waits for data; says what went wrong and lets one try again. */
export function Loaded<T>(props: {
  of: UseQueryResult<T>;
  waiting?: string;
  children: (data: T) => ReactNode;
}) {
  return (
    <LoadedAll of={[props.of]} {...(props.waiting && { waiting: props.waiting })}>
      {props.children}
    </LoadedAll>
  );
}

/** Waits for all of several data. */
export function LoadedAll<T extends unknown[]>({
  of,
  waiting = t('state.moment'),
  children,
}: {
  of: [...{ [I in keyof T]: UseQueryResult<T[I]> }];
  waiting?: string;
  children: (...data: T) => ReactNode;
}) {
  if (of.every((query) => query.data !== undefined)) {
    return <>{children(...(of.map((query) => query.data) as T))}</>;
  }
  const failed = of.find((query) => query.isError && query.data === undefined);
  return failed?.error ? <Failed of={failed} /> : <Waiting>{waiting}</Waiting>;
}

/** Says why something was not done; nothing where there is no reason. */
export function Problem({ children }: { children: ReactNode }) {
  return children ? (
    <p className="note bad" role="alert">
      {children}
    </p>
  ) : null;
}

/** Shown while something is fetched. */
export function Waiting({ children = t('state.moment') }: { children?: ReactNode }) {
  return (
    <div className="line soft" role="status" style={{ padding: 24 }}>
      <Loader size="sm" color="leaf" /> {children}
    </div>
  );
}

/** What a screen shows before there is anything to show, and the way on. */
export function Empty({
  title,
  children,
  action,
}: {
  title: string;
  children?: ReactNode;
  action?: ReactNode;
}) {
  return (
    <div className="card" style={{ textAlign: 'center', padding: '36px 20px' }}>
      <h2>{title}</h2>
      {children && (
        <p className="soft" style={{ margin: '8px auto 0', maxWidth: 520 }}>
          {children}
        </p>
      )}
      {action && <div style={{ marginTop: 16 }}>{action}</div>}
    </div>
  );
}
