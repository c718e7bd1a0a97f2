import { NavLink } from 'react-router';
import classes from './BloomTabs.module.css';

const PAGES = [
  ['/bloom', 'Board'],
  ['/bloom/season', 'Season ahead'],
  ['/bloom/key', 'What is this?'],
  ['/bloom/weather', 'Weather'],
  ['/bloom/need', 'Is my hand needed?'],
] as const;

/** The pages of the room. */
export function BloomTabs() {
  return (
    <nav className={classes.tabs} aria-label="Bloom pages">
      {PAGES.map(([to, name]) => (
        <NavLink key={to} to={to} end>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
