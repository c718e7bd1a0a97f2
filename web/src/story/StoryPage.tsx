import { Button } from '@mantine/core';
import { useInfiniteQuery, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { queries } from '../api/queries';
import { useCropName } from '../crop/crop-name';
import { calendarDate, plural } from '../format/time';
import { ScoresOf } from '../judging/ScoresOf';
import { Remove } from './Mend';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { GraftForm } from '../orchard/GraftForm';
import { MergeForm } from '../orchard/MergeForm';
import { TreeForm } from '../orchard/TreeForm';
import { VarietyForm } from '../orchard/VarietyForm';
import { usePageTitle } from '../ui/page-title';
import { Loaded } from '../ui/States';
import { storyQuery } from './queries';
import { Story } from './Story';
import classes from './Story.module.css';

function Frame({ title, facts, children }: { title: string; facts: ReactNode; children: ReactNode }) {
  usePageTitle(title);
  return (
    <>
      <OrchardTabs />
      <h1>{title}</h1>
      <div className={classes.facts}>{facts}</div>
      {children}
    </>
  );
}

/** A tree: what it is, and all that happened to it. */
export function TreePage() {
  const id = useParams().tree!;
  const trees = useQuery(queries.trees());
  const { data: varieties = [] } = useQuery(queries.varieties());
  const [open, setOpen] = useState<'edit' | 'graft' | 'remove'>();
  const close = () => setOpen(undefined);
  return (
    <Loaded of={trees}>
      {(all) => {
        const tree = all.find((t) => t.id === id);
        const stock = all.find((t) => t.id === tree?.graftedOnId);
        const graft = all.find((t) => t.graftedOnId === id);
        return (
          <Frame
            title={tree?.name ?? 'A tree that was removed'}
            facts={
              tree && (
                <>
                  <Link to={`/orchard/variety/${tree.varietyId}`}>{tree.varietyName}</Link>
                  <span>
                    {tree.block && (
                      <Link to={`/orchard/block/${encodeURIComponent(tree.block)}`}>{tree.block}</Link>
                    )}
                    {tree.block && ', '}row {tree.row}, place {tree.position}
                  </span>
                  <span className="soft">
                    {tree.plantedOn
                      ? `${stock ? 'grafted' : 'planted'} ${calendarDate(tree.plantedOn)}`
                      : 'day of planting not known'}
                    {stock && (
                      <>
                        {' on '}
                        <Link to={`/orchard/tree/${stock.id}`}>{stock.name}</Link>
                      </>
                    )}
                  </span>
                  {tree.stoodUntil && (
                    <b>
                      stood until {calendarDate(tree.stoodUntil)}
                      {graft && (
                        <>
                          {', then '}
                          <Link to={`/orchard/tree/${graft.id}`}>{graft.name}</Link>
                        </>
                      )}
                    </b>
                  )}
                  <span className="line noprint" style={{ marginLeft: 'auto' }}>
                    {!tree.stoodUntil && (
                      <>
                        <Button component={Link} to={`/bloom/read/${tree.id}`} size="sm" variant="outline">
                          Read its flowers
                        </Button>
                        <Button size="sm" variant="outline" onClick={() => setOpen('graft')}>
                          Grafted over
                        </Button>
                      </>
                    )}
                    <Button size="sm" variant="outline" onClick={() => setOpen('edit')}>
                      Edit the tree
                    </Button>
                    <Button size="sm" variant="subtle" onClick={() => setOpen('remove')}>
                      Remove the tree
                    </Button>
                  </span>
                </>
              )
            }
          >
            <Story of={{ tree: id }} />
            {tree && open === 'edit' && (
              <TreeForm editing={tree} varieties={varieties} trees={all} close={close} />
            )}
            {tree && open === 'graft' && (
              <GraftForm tree={tree} varieties={varieties} trees={all} close={close} />
            )}
            {tree && open === 'remove' && <Remove line={{ kind: 'tree', ...tree }} close={close} />}
          </Frame>
        );
      }}
    </Loaded>
  );
}

/** A variety: its trees, and all that happened to them. */
export function VarietyPage() {
  const id = useParams().variety!;
  const cropName = useCropName();
  const varieties = useQuery(queries.varieties());
  const { data: trees = [] } = useQuery(queries.trees());
  const [open, setOpen] = useState<'edit' | 'merge' | 'remove'>();
  const close = () => setOpen(undefined);
  return (
    <Loaded of={varieties}>
      {(all) => {
        const variety = all.find((v) => v.id === id);
        const its = trees.filter((t) => t.varietyId === id);
        return (
          <Frame
            title={variety?.name ?? 'A variety that was removed'}
            facts={
              variety && (
                <>
                  <span>{cropName(variety.crop)}</span>
                  {variety.breeding.alleles && <span>S alleles {variety.breeding.alleles}</span>}
                  <span>
                    {its.length === 0 ? 'no tree' : `${plural(its.length, 'tree')}: `}
                    {its.slice(0, 12).map((t, i) => (
                      <span key={t.id}>
                        {i > 0 && ', '}
                        <Link to={`/orchard/tree/${t.id}`}>{t.name}</Link>
                      </span>
                    ))}
                    {its.length > 12 && ` and ${its.length - 12} more`}
                  </span>
                  <span className="line noprint" style={{ marginLeft: 'auto' }}>
                    <Button size="sm" variant="outline" onClick={() => setOpen('edit')}>
                      Edit the variety
                    </Button>
                    <Button size="sm" variant="outline" onClick={() => setOpen('merge')}>
                      Entered twice
                    </Button>
                    <Button size="sm" variant="subtle" onClick={() => setOpen('remove')}>
                      Remove the variety
                    </Button>
                  </span>
                </>
              )
            }
          >
            {variety && <ScoresOf crop={variety.crop} plant={{ varietyId: id }} />}
            <Story of={{ variety: id }} withTree />
            {variety && open === 'edit' && <VarietyForm editing={variety} opened close={close} />}
            {variety && open === 'merge' && <MergeForm variety={variety} varieties={all} close={close} />}
            {variety && open === 'remove' && <Remove line={{ kind: 'variety', ...variety }} close={close} />}
          </Frame>
        );
      }}
    </Loaded>
  );
}

/** A block: its trees, and all that happened to them. */
export function BlockPage() {
  const block = useParams().block!;
  const { data: trees = [] } = useQuery(queries.trees());
  const its = trees.filter((t) => t.block === block);
  return (
    <Frame title={block} facts={<span>{plural(its.length, 'tree')}</span>}>
      <Story of={{ block }} withTree />
    </Frame>
  );
}

/** What a person wrote down. */
export function PersonPage() {
  const person = useParams().person!;
  const first = useInfiniteQuery(storyQuery({ person }, [], false));
  const name = first.data?.pages[0]?.lines[0]?.by;
  return (
    <Frame title={name ? `Written down by ${name}` : 'Written down'} facts={null}>
      <Story of={{ person }} withTree />
    </Frame>
  );
}

/** A cross: its steps, pollinations, checks and fruits. */
export function CrossPage() {
  const cross = useParams().cross!;
  const first = useInfiniteQuery(storyQuery({ cross }, ['cross'], true));
  const label = first.data?.pages[0]?.lines[0]?.what.cross;
  return (
    <Frame
      title={typeof label === 'string' ? `Cross ${label}` : 'Cross'}
      facts={<Link to="/round/crosses">All crosses and what is due on them</Link>}
    >
      <Story of={{ cross }} withTree />
    </Frame>
  );
}
