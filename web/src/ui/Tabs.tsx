import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import classes from './Tabs.module.css';

/** The pages of a room. On a narrow screen they scroll, and the one that is open is in sight. */
export function Tabs({ label, pages }: { label: string; pages: readonly (readonly [string, string])[] }) {
  const nav = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  useEffect(() => {
    const open = nav.current?.querySelector<HTMLElement>('[aria-current=page]');
    if (nav.current && open)
      nav.current.scrollLeft = open.offsetLeft - (nav.current.clientWidth - open.offsetWidth) / 2;
  }, [pathname]);
  return (
    <nav ref={nav} className={`${classes.tabs} noprint`} aria-label={label}>
      {pages.map(([to, name]) => (
        <NavLink key={to} to={to} end>
          {name}
        </NavLink>
      ))}
    </nav>
  );
}
