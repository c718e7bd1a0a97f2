import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { IconHelp } from '@tabler/icons-react';
import { useHelp } from '../help/use-help';
import classes from './FieldHead.module.css';
import { t } from '../text/text';

/** The head of a screen used under the trees: the way back, where one is, and one button. */
export function FieldHead({
  back,
  backLabel,
  title,
  children,
}: {
  back: string;
  backLabel: string;
  title: string;
  children: ReactNode;
}) {
  const help = useHelp();
  return (
    <>
      <header className={classes.head}>
        <Link to={back} className={classes.back} aria-label={backLabel}>
          ←
        </Link>
        <b>{title}</b>
        {children}
        <button type="button" aria-label={t('do.help')} onClick={help.open}>
          <IconHelp size={24} />
        </button>
        {help.panel}
      </header>
      <div className={classes.room} />
    </>
  );
}
