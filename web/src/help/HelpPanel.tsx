import { Drawer, TextInput } from '@mantine/core';
import { useState } from 'react';
import { matchPath, useLocation } from 'react-router';
import { HELP } from './pages';
import classes from './HelpPanel.module.css';
import { phrase, t } from '../text/text';
import { WORDS, type Word } from './words';

/** Help of the page at an address; undefined where it has none. */
export function helpAt(pathname: string) {
  const path = Object.keys(HELP).find((p) => matchPath({ path: p, end: true }, pathname));
  return path === undefined ? undefined : HELP[path];
}

function Meaning({ words }: { words: readonly Word[] }) {
  return (
    <dl className={classes.words}>
      {words.map((w) => (
        <div key={w}>
          <dt>{phrase(w)}</dt>
          <dd>{phrase(WORDS[w])}</dd>
        </div>
      ))}
    </dl>
  );
}

/** All words, found by what they or their meaning hold. */
function AllWords() {
  const [sought, setSought] = useState('');
  const all = (Object.keys(WORDS) as Word[]).sort((a, b) => phrase(a).localeCompare(phrase(b)));
  const needle = sought.trim().toLowerCase();
  const found = all.filter((w) => `${phrase(w)} ${phrase(WORDS[w])}`.toLowerCase().includes(needle));
  return (
    <details className={classes.all}>
      <summary>{t('help.all-words')}</summary>
      <TextInput
        label={t('help.find')}
        value={sought}
        onChange={(e) => setSought(e.currentTarget.value)}
        my={10}
      />
      {found.length === 0 ? <p className="soft">{t('help.no-word')}</p> : <Meaning words={found} />}
    </details>
  );
}

/** What the page at hand is for, and what its words mean. */
export function HelpPanel({ close }: { close: () => void }) {
  const help = helpAt(useLocation().pathname);
  return (
    <Drawer
      opened
      onClose={close}
      position="right"
      title={t('help.title')}
      closeButtonProps={{ 'aria-label': t('do.close') }}
      overlayProps={{ backgroundOpacity: 0.25 }}
      classNames={{ content: classes.panel!, header: classes.panel!, close: classes.panel! }}
    >
      {help && (
        <>
          <p className={classes.purpose}>{phrase(help.purpose)}</p>
          <ul className={classes.steps}>
            {help.steps.map((s) => (
              <li key={s}>{phrase(s)}</li>
            ))}
          </ul>
          {help.words.length > 0 && (
            <>
              <h3>{t('help.words')}</h3>
              <Meaning words={help.words} />
            </>
          )}
        </>
      )}
      <AllWords />
    </Drawer>
  );
}
