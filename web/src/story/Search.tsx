import { Modal, TextInput } from '@mantine/core';
import { useDebouncedValue } from '@mantine/hooks';
import { useQuery } from '@tanstack/react-query';
import { useState, type KeyboardEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Schemas } from '../api/api';
import { searchQuery } from './queries';
import classes from './Story.module.css';

type Hit = Schemas['SearchHit'];

const TYPING_MS = 150;

const pathOf = (hit: Hit): string => {
  switch (hit.kind) {
    case 'variety':
      return `/orchard/variety/${hit.id}`;
    case 'block':
      return `/orchard/block/${encodeURIComponent(hit.title)}`;
    case 'jar':
      return `/pollen/jar/${hit.id}`;
    case 'cross':
      return `/orchard/cross/${hit.id}`;
    case 'seedling':
      return `/fruit-set/seedlings/${hit.id}`;
    case 'permit':
      return '/orchard/permits';
    case 'person':
      return `/orchard/person/${hit.id}`;
    default:
      return hit.id ? `/orchard/tree/${hit.id}` : '/orchard';
  }
};

/** Finds trees, varieties, blocks, jars, crosses, seedlings, tags, fruits, people and notes. */
export function Search({ close }: { close: () => void }) {
  const [text, setText] = useState('');
  const [asked] = useDebouncedValue(text.trim(), TYPING_MS);
  const [active, setActive] = useState(0);
  const navigate = useNavigate();
  const { data: hits = [], isFetched } = useQuery({
    ...searchQuery(asked),
    placeholderData: (before) => before,
  });
  const move = (e: KeyboardEvent) => {
    const by = e.key === 'ArrowDown' ? 1 : e.key === 'ArrowUp' ? -1 : 0;
    if (by !== 0) {
      e.preventDefault();
      setActive((i) => Math.max(0, Math.min(hits.length - 1, i + by)));
    }
    const hit = hits[active];
    if (e.key === 'Enter' && hit) {
      void navigate(pathOf(hit));
      close();
    }
  };
  return (
    <Modal opened onClose={close} title="Find anything" size="lg" yOffset="8vh">
      <TextInput
        aria-label="What to look for"
        placeholder="tree, variety, jar, cross, tag, fruit number, person, words of a note"
        data-autofocus
        value={text}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setActive(0);
        }}
        onKeyDown={move}
      />
      {asked !== '' && isFetched && hits.length === 0 && (
        <p className="soft" role="status" style={{ marginTop: 12 }}>
          Nothing holds “{asked}”.
        </p>
      )}
      <ul className={classes.hits}>
        {hits.map((hit, i) => (
          <li key={`${hit.kind} ${hit.id} ${hit.title} ${hit.about}`}>
            <Link to={pathOf(hit)} onClick={close} data-active={i === active || undefined}>
              <span className="small soft">{hit.kind}</span>
              <span>
                <b>{hit.title}</b> <span className="soft">{hit.about}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </Modal>
  );
}
