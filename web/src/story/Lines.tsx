import { ActionIcon, Menu } from '@mantine/core';
import { IconDots } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import { clock, dayOfYear } from '../format/time';
import { useHere } from '../ui/orchard-context';
import { Thumbs } from '../photo/Thumbs';
import { Correct, correctable } from './Correct';
import classes from './Story.module.css';
import { History, Remove, Restore } from './Mend';
import type { Line } from './queries';
import { KINDS, lineWords, nounOf, photosOf, said, surpriseOf } from './story-words';

type Sheet = Schemas['CropSheetView'];
type Act = 'correct' | 'remove' | 'restore' | 'history';

function Acts({ line, choose }: { line: Line; choose: (act: Act) => void }) {
  return (
    <Menu position="bottom-end">
      <Menu.Target>
        <ActionIcon variant="subtle" color="gray" size={36} aria-label={`Mend this ${nounOf(line.kind)}`}>
          <IconDots size={20} />
        </ActionIcon>
      </Menu.Target>
      <Menu.Dropdown>
        {!line.removedAt && correctable(line) && (
          <Menu.Item onClick={() => choose('correct')}>Correct</Menu.Item>
        )}
        <Menu.Item onClick={() => choose('history')}>History</Menu.Item>
        {line.removedAt ? (
          <Menu.Item onClick={() => choose('restore')}>Restore</Menu.Item>
        ) : (
          <Menu.Item color="red.9" onClick={() => choose('remove')}>
            Remove
          </Menu.Item>
        )}
      </Menu.Dropdown>
    </Menu>
  );
}

/** Where a record leads to: its jar, its cross. */
function Words({ line, sheet }: { line: Line; sheet: Sheet | undefined }) {
  const { orchard } = useHere();
  const words = lineWords(line, sheet, orchard.units);
  const photo = line.kind === 'photo' && said(line, 'walkId');
  if (photo)
    return (
      <img
        className={classes.photo}
        src={`/api/walks/${photo}/photos/${line.id}`}
        alt={words}
        loading="lazy"
      />
    );
  if (line.kind === 'jar') return <Link to={`/pollen/jar/${line.id}`}>{words}</Link>;
  return <>{words}</>;
}

function Row({ line, sheet, withTree }: { line: Line; sheet: Sheet | undefined; withTree: boolean }) {
  const { zone } = useHere();
  const [act, setAct] = useState<Act>();
  const close = () => setAct(undefined);
  const surprise = surpriseOf(line, sheet);
  return (
    <li
      className={classes.row}
      data-removed={line.removedAt !== undefined || undefined}
      data-kind={line.kind}
    >
      <span className={classes.time}>{clock(new Date(line.at), zone)}</span>
      <span className={classes.kind}>{KINDS[line.kind]?.one ?? line.kind}</span>
      <div className={classes.words}>
        <div>
          {withTree && line.treeId && (
            <>
              <Link to={`/orchard/tree/${line.treeId}`}>{line.tree}</Link>:{' '}
            </>
          )}
          <Words line={line} sheet={sheet} />
        </div>
        {surprise && <div className="small warn">{surprise}</div>}
        {line.note && <div className="small">“{line.note}”</div>}
        {photosOf(line).length > 0 && (
          <Thumbs ids={photosOf(line)} alt={`picture of ${line.tree ?? 'the tree'}`} />
        )}
        {line.removedAt && <div className="small warn">Removed: {line.removedBecause}</div>}
      </div>
      <span className={`small soft ${classes.by}`}>{line.by}</span>
      {line.kind !== 'move' && <Acts line={line} choose={setAct} />}
      {act === 'correct' && <Correct line={line} sheet={sheet} close={close} />}
      {act === 'remove' && <Remove line={line} close={close} />}
      {act === 'restore' && <Restore line={line} close={close} />}
      {act === 'history' && <History line={line} close={close} />}
    </li>
  );
}

/** Records day by day, the latest first. */
export function Lines({ lines, withTree }: { lines: Line[]; withTree: boolean }) {
  const { now, zone } = useHere();
  const { data: crops = [] } = useQuery(queries.crops());
  const days = new Map<string, Line[]>();
  for (const line of lines) {
    const day = dayOfYear(new Date(line.at), now, zone);
    days.set(day, [...(days.get(day) ?? []), line]);
  }
  return (
    <div className="stack">
      {[...days].map(([day, of]) => (
        <section key={day} className="card">
          <h2 className={classes.day}>{day}</h2>
          <ol className={classes.rows}>
            {of.map((line) => (
              <Row
                key={`${line.kind} ${line.id} ${line.treeId}`}
                line={line}
                sheet={crops.find((c) => c.key === line.crop)}
                withTree={withTree}
              />
            ))}
          </ol>
        </section>
      ))}
    </div>
  );
}
