import { NavLink } from 'react-router';
import classes from './Tabs.module.css';

/** The pages of a room. */
export function Tabs({ label, pages }: { label: string; pages: readonly (readonly [string, string])[] }) {
  return (
    <nav className={`${classes.tabs} noprint`} aria-label={label}>
      {pages.map(([to, name]) => (
        <NavLink key={to} to={to} end>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
