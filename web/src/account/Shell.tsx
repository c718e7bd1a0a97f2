import { VisuallyHidden } from '@mantine/core';
import { useDisclosure } from '@mantine/hooks';
import {
  IconBasket,
  IconDots,
  IconFlower,
  IconHelp,
  IconRoute,
  IconSearch,
  IconSun,
} from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useRef, type ReactNode } from 'react';
import { Link, NavigationType, NavLink, Outlet, useLocation, useNavigationType } from 'react-router';
import { useHelp } from '../help/use-help';
import { KeptLine } from '../offline/KeptLine';
import { LightBar } from '../charts/LightBar';
import { usePageName } from '../ui/page-title';
import { PLAN_DAYS, queries } from '../api/queries';
import { Mark } from './Mark';
import { SignOut } from './SignOut';
import { useHere } from '../ui/orchard-context';
import { t, type MessageKey } from '../text/text';
import { useAside } from '../ui/use-aside';

const Search = lazy(async () => ({ default: (await import('../story/Search')).Search }));
const MorePages = lazy(async () => ({ default: (await import('./MorePages')).MorePages }));
const Language = lazy(async () => ({ default: (await import('./Language')).Language }));
const OrchardSwitch = lazy(async () => ({ default: (await import('./OrchardSwitch')).OrchardSwitch }));
const DemoClock = lazy(async () => ({ default: (await import('./DemoClock')).DemoClock }));

const WORK = [
  ['/', 'page.today'],
  ['/bloom', 'page.bloom'],
  ['/pollen', 'page.pollen'],
  ['/mates', 'page.mates'],
  ['/round', 'page.visits'],
  ['/fruit-set', 'page.fruit-set'],
  ['/findings', 'page.findings'],
] as const;
const PLACE = [
  ['/orchard', 'page.orchard'],
  ['/crops', 'page.crops'],
] as const;

/** Pages on which the visits of the plan are worth marking on the light bar. */
const EVENING = new Set(['/', '/bloom', '/round', '/pollen']);

function useDueChecks(): number {
  const { data } = useQuery(queries.fruitSet());
  return data?.due ?? 0;
}

interface LinksProps {
  due: number;
  help: () => void;
  search: () => void;
  close?: () => void;
}

function Links({ due, help, search, close }: LinksProps) {
  const button = (show: () => void, name: ReactNode, key: string) => (
    <button
      type="button"
      className="to"
      onClick={() => {
        close?.();
        show();
      }}
    >
      {name} <kbd>{key}</kbd>
    </button>
  );
  const link = ([to, name]: readonly [string, MessageKey]) => (
    <NavLink key={to} to={to} end={to === '/'} className="to" onClick={close}>
      {t(name)}
      {to === '/fruit-set' && due > 0 && (
        <span className="count" title={t('page.checks-due', { n: due })}>
          {due}
        </span>
      )}
    </NavLink>
  );
  return (
    <>
      {button(
        search,
        <>
          <IconSearch size={18} /> {t('do.search')}
        </>,
        '/',
      )}
      {WORK.map(link)}
      <hr />
      {PLACE.map(link)}
      {button(
        help,
        <>
          <IconHelp size={18} /> {t('do.help')}
        </>,
        '?',
      )}
    </>
  );
}

function Who() {
  const { session, orchard } = useHere();
  return (
    <div className="who">
      <div>
        {orchard.name} · <Link to="/account">{session.person}</Link>
        {session.role === 'VIEWER' && ` · ${t('session.viewer')}`}
      </div>
      <Suspense fallback={null}>
        {session.orchards.length > 1 && <OrchardSwitch />}
        {orchard.demo && <DemoClock />}
        <Language />
      </Suspense>
      <SignOut />
    </div>
  );
}

/** A page that is turned to begins at its top, for eyes and keyboard alike; one that is gone back to stays where it was. */
function useTurnedPage() {
  const { pathname } = useLocation();
  const turned = useNavigationType();
  const main = useRef<HTMLElement>(null);
  const first = useRef(true);
  useEffect(() => {
    if (!first.current && turned !== NavigationType.Pop) {
      window.scrollTo(0, 0);
      main.current?.focus({ preventScroll: true });
    }
    first.current = false;
  }, [pathname, turned]);
  return main;
}

/** The frame around every page at the desk, and the tabs at the bottom of a phone. */
export function Shell() {
  const due = useDueChecks();
  const { pathname } = useLocation();
  const { data: plan } = useQuery({ ...queries.plan(PLAN_DAYS), enabled: EVENING.has(pathname) });
  const [more, { open, close }] = useDisclosure();
  const help = useHelp();
  const search = useAside('/', Search);
  const main = useTurnedPage();
  const name = usePageName();
  return (
    <div className="app">
      <a href="#page" className="skip">
        {t('page.skip')}
      </a>
      <VisuallyHidden role="status">{name}</VisuallyHidden>
      <nav className="nav" aria-label={t('page.pages')}>
        <Link to="/" className="brand">
          <Mark /> Even Hand
        </Link>
        <Links due={due} help={help.open} search={search.open} />
        <Who />
      </nav>
      {help.panel}
      {search.panel}
      <div className="main">
        <LightBar visits={EVENING.has(pathname) ? plan?.rounds : undefined} />
        <main className="body" id="page" tabIndex={-1} ref={main}>
          <KeptLine className="kept" />
          <Outlet />
        </main>
      </div>
      <nav className="tabs" aria-label={t('page.pages-short')}>
        <NavLink to="/" end>
          <IconSun size={22} />
          {t('page.today')}
        </NavLink>
        <NavLink to="/bloom">
          <IconFlower size={22} />
          {t('page.bloom')}
        </NavLink>
        <NavLink to="/round">
          <IconRoute size={22} />
          {t('page.visits')}
        </NavLink>
        <NavLink to="/fruit-set">
          <IconBasket size={22} />
          {t('page.fruit-set')}
          {due > 0 && <span className="count">{due}</span>}
        </NavLink>
        <button type="button" onClick={open}>
          <IconDots size={22} />
          {t('page.more')}
        </button>
      </nav>
      {more && (
        <Suspense fallback={null}>
          <MorePages close={close}>
            <Links due={due} help={help.open} search={search.open} close={close} />
            <Who />
          </MorePages>
        </Suspense>
      )}
    </div>
  );
}
