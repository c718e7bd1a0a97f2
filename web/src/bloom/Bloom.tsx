import { Button, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { useHere } from '../kit/orchard-context';
import { queries } from '../kit/queries';
import { Empty, Loaded } from '../kit/States';
import { Board } from './Board';
import { boardSentence, byMostToDo } from './bloom-words';

const RANGES = [
  { value: '24', label: '24 h' },
  { value: '48', label: '48 h' },
  { value: '72', label: '72 h' },
];

export function Bloom() {
  const { zone, now } = useHere();
  const [hours, setHours] = useState('72');
  const bloom = useQuery({ ...queries.bloom(Number(hours)), placeholderData: (before) => before });
  return (
    <Loaded of={bloom}>
      {(b) =>
        b.trees.length === 0 ? (
          <Empty
            title="No trees yet"
            action={
              <Button component={Link} to="/orchard">
                Add varieties and trees
              </Button>
            }
          >
            Once there are trees you can read their flowers, and see here what they will do for three days.
          </Empty>
        ) : (
          <>
            <div className="say">
              <h1>{boardSentence(b, now, zone)}</h1>
              <div className="do noprint">
                <SegmentedControl
                  value={hours}
                  onChange={setHours}
                  data={RANGES}
                  aria-label="How far ahead"
                />
              </div>
            </div>
            <Board bloom={b} rows={byMostToDo(b.trees)} title={`Next ${hours} hours`} />
          </>
        )
      }
    </Loaded>
  );
}
