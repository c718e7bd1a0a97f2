import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { HelpButton } from '../help/HelpButton';
import classes from './FieldHead.module.css';

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
  return (
    <header className={classes.head}>
      <Link to={back} className={classes.back} aria-label={backLabel}>
        ←
      </Link>
      <b>{title}</b>
      {children}
      <HelpButton short />
    </header>
  );
}
