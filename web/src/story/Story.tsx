import { Button, Chip, Switch } from '@mantine/core';
import { useInfiniteQuery } from '@tanstack/react-query';
import { SaveCsv } from '../ui/SaveCsv';
import { Empty, Loaded } from '../ui/States';
import { useAddress } from '../ui/use-address';
import { Lines } from './Lines';
import { storyQuery, type StoryOf } from './queries';
import classes from './Story.module.css';
import { KINDS } from './story-words';

const AS_USUAL = { kinds: '', removed: '' };

function Filters({
  counts,
  removed,
  address,
  choose,
}: {
  counts: Record<string, number>;
  removed: number;
  address: typeof AS_USUAL;
  choose: (part: Partial<typeof AS_USUAL>) => void;
}) {
  const chosen = address.kinds.split(',').filter(Boolean);
  // That a tree was written down is no kind to choose.
  const shown = Object.keys(KINDS).filter(
    (k) => k !== 'tree' && ((counts[k] ?? 0) > 0 || chosen.includes(k)),
  );
  return (
    <div className={`${classes.filters} noprint`}>
      <Chip.Group multiple value={chosen} onChange={(kinds) => choose({ kinds: kinds.join(',') })}>
        {shown.map((kind) => (
          <Chip key={kind} value={kind} size="sm" variant="outline">
            {KINDS[kind]!.many} {counts[kind] ?? 0}
          </Chip>
        ))}
      </Chip.Group>
      {(removed > 0 || address.removed !== '') && (
        <Switch
          label={`removed too (${removed})`}
          checked={address.removed !== ''}
          onChange={(e) => choose({ removed: e.currentTarget.checked ? 'yes' : '' })}
        />
      )}
    </div>
  );
}

/** Kinds of record and the table that holds them. */
const TABLES: Record<string, string> = {
  reading: 'readings',
  pollination: 'pollinations',
  check: 'checks',
  'limb-count': 'limb-counts',
  fruit: 'fruits',
  cross: 'crosses',
  'cross-step': 'cross-steps',
  'bloom-date': 'bloom-dates',
};

/** The kinds that are shown, as tables; a jar of a tree is no line of the tree, nor is what a person wrote. */
function SaveTables({
  of,
  counts,
  chosen,
}: {
  of: StoryOf;
  counts: Record<string, number>;
  chosen: string[];
}) {
  const { person, lot, ...rest } = of;
  if (person) return null;
  const shown = Object.keys(TABLES).filter(
    (kind) =>
      (counts[kind] ?? 0) > 0 &&
      (chosen.length === 0 || chosen.includes(kind)) &&
      (of.variety || kind !== 'bloom-date'),
  );
  return <SaveCsv tables={shown.map((kind) => TABLES[kind]!)} of={{ ...rest, jar: lot }} />;
}

/** Everything recorded of something, with filters. */
export function Story({ of, withTree = false }: { of: StoryOf; withTree?: boolean }) {
  const [address, choose] = useAddress(AS_USUAL);
  const story = useInfiniteQuery(
    storyQuery(of, address.kinds.split(',').filter(Boolean), address.removed !== ''),
  );
  if (!story.data) return <Loaded of={story}>{() => null}</Loaded>;
  const pages = story.data.pages;
  const lines = pages.flatMap((p) => p.lines);
  return (
    <>
      <Filters counts={pages[0]!.kinds} removed={pages[0]!.removed} address={address} choose={choose} />
      {lines.length === 0 ? (
        <Empty title="Nothing recorded yet">
          What is read, pollinated, checked and picked here shows on this page.
        </Empty>
      ) : (
        <Lines lines={lines} withTree={withTree} />
      )}
      {story.hasNextPage && (
        <Button
          mt={16}
          variant="outline"
          loading={story.isFetchingNextPage}
          onClick={() => void story.fetchNextPage()}
        >
          Show older records
        </Button>
      )}
      <SaveTables of={of} counts={pages[0]!.kinds} chosen={address.kinds.split(',').filter(Boolean)} />
    </>
  );
}
