import { Button, NativeSelect, Slider, Switch } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import { PLAN_DAYS, queries } from '../api/queries';
import { Empty, Loaded, Problem } from '../ui/States';
import { useAddress } from '../ui/use-address';
import { said } from '../format/time';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { placeWords } from '../text/place-words';
import { t } from '../text/text';
import { BlockRowsForm } from './BlockRowsForm';
import classes from './Map.module.css';
import { MapDrawing } from './MapDrawing';
import { MapFiles } from './MapFiles';
import {
  distance,
  flowersAt,
  onEarth,
  onPlane,
  shown,
  SHOWS,
  spotOf,
  stopsOf,
  type Flowers,
  type MapTree,
  type OrchardMap as Map_,
  type Show,
  type Spot,
} from './map-state';
import { NextTree } from './NextTree';
import { flowersWords, SpotCard, useSpot } from './SpotCard';
import { usePosition } from './use-position';

const HOURS = 48;

interface Filters {
  show: Show;
  setShow: (show: Show) => void;
  crop: string;
  setCrop: (crop: string) => void;
  crops: [string, string][];
}

function FilterFields({ show, setShow, crop, setCrop, crops }: Filters) {
  return (
    <>
      <NativeSelect
        label={t('map.show')}
        data={SHOWS.map((value) => ({ value, label: t(`map.show.${value}`) }))}
        value={show}
        onChange={(e) => setShow(e.currentTarget.value as Show)}
      />
      {crops.length > 1 && (
        <NativeSelect
          label={t('first.crop')}
          data={[
            { value: '', label: t('map.all-crops') },
            ...crops.map(([value, label]) => ({ value, label })),
          ]}
          value={crop}
          onChange={(e) => setCrop(e.currentTarget.value)}
        />
      )}
    </>
  );
}

/** The same trees as the drawing, for keyboard and ear; nearest first where one's own place is known. */
function TreeList({
  trees,
  flowers,
  stops,
  here,
  selected,
  select,
}: {
  trees: MapTree[];
  flowers: Map<string, Flowers>;
  stops: string[];
  here: Spot | undefined;
  selected: string | undefined;
  select: (tree: string) => void;
}) {
  const near = (tree: MapTree) => (here ? distance(here, spotOf(tree)) : 0);
  const sorted = here ? [...trees].sort((a, b) => near(a) - near(b)) : trees;
  return (
    <ul className={classes.list} aria-label={t('map.trees')}>
      {sorted.map((tree) => {
        const hangs = flowers.get(tree.treeId);
        const order = stops.indexOf(tree.treeId) + 1;
        return (
          <li key={tree.treeId}>
            <button type="button" aria-pressed={selected === tree.treeId} onClick={() => select(tree.treeId)}>
              <span>
                <b>{tree.tree}</b>
                {order > 0 && ` · ${t('map.stop', { n: order })}`}
                <br />
                <span className="small soft">
                  {here ? t('map.metres', { n: Math.round(near(tree)) }) : placeWords(tree)}
                </span>
              </span>
              <span className={`small ${classes.much}`}>
                {hangs ? flowersWords(hangs) : t('bloom.not-read')}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}

function Legend() {
  const mark = (fill: string, dashed = false) => (
    <svg viewBox="-8 -8 16 16" width={18} height={18} aria-hidden>
      <circle r={6.5} fill={fill} stroke="#4f5f4a" strokeDasharray={dashed ? '3 2.5' : undefined} />
    </svg>
  );
  return (
    <p className={`small ${classes.legend}`}>
      <span>
        {mark('url(#mapt)')} {t('map.legend-female')}
      </span>
      <span>
        {mark('url(#mapg)')} {t('map.legend-male')}
      </span>
      <span>
        {mark('#fffef8')} {t('map.legend-neither')}
      </span>
      <span>
        {mark('#fffef8', true)} {t('map.legend-row')}
      </span>
    </p>
  );
}

interface Data {
  map: Map_;
  bloom: Schemas['Bloom'];
  plan: Schemas['Plan'] | undefined;
  checks: ReadonlySet<string>;
}

function Whole({ map, bloom, plan, checks }: Data) {
  const { now, zone } = useHere();
  const [chosen, choose] = useAddress({ show: 'all', crop: '' }, { show: SHOWS });
  const show = chosen.show as Show;
  const { crop } = chosen;
  const [step, setStep] = useState(0);
  const [selected, setSelected] = useState<string>();
  const [follow, setFollow] = useState(false);
  const [moving, setMoving] = useState(false);
  const position = usePosition(follow);
  const spot = useSpot();
  const stops = stopsOf(plan?.rounds[0]);
  const flowers = flowersAt(bloom, step);
  const trees = shown(map.trees, show, crop, { stops, checks, bloom, now });
  const { data: sheets = [] } = useQuery(queries.crops());
  const names = new Map(sheets.map((sheet) => [sheet.key, sheet.name]));
  const crops = [...new Set(map.trees.map((of) => of.crop))].map((of): [string, string] => [
    of,
    names.get(of) ?? of,
  ]);
  const here = position.at && { ...onPlane(map, position.at), accuracy: position.at.accuracy };
  const tree = map.trees.find((of) => of.treeId === selected);
  const next = tree ?? map.trees.find((of) => of.treeId === stops[0]);
  const steps = Math.max(1, ...bloom.trees.map((of) => of.receptive.mean.length)) - 1;
  const at = new Date(Date.parse(bloom.from) + step * bloom.stepMinutes * 60_000);
  return (
    <>
      <div className="say">
        <h1>{t('map.title', { n: map.trees.length, blocks: map.blocks.length })}</h1>
        <div className="do noprint">
          <Button
            variant={follow ? 'filled' : 'outline'}
            onClick={() => setFollow(!follow)}
            aria-pressed={follow}
          >
            {t('map.where-am-i')}
          </Button>
        </div>
      </div>
      {position.denied && <p className="note">{t('map.no-position')}</p>}
      {here && next && <NextTree from={here} to={next} />}
      <div className={classes.controls}>
        <FilterFields
          show={show}
          setShow={(to) => choose({ show: to })}
          crop={crop}
          setCrop={(to) => choose({ crop: to })}
          crops={crops}
        />
        <div className={classes.hour}>
          <span id="map-hour">{t('map.hour', { at: said(at, now, zone) })}</span>
          <Slider
            min={0}
            max={steps}
            value={step}
            onChange={setStep}
            label={null}
            thumbProps={{ 'aria-labelledby': 'map-hour' }}
            thumbSize={22}
          />
        </div>
      </div>
      <div className={classes.columns}>
        <div className="stack">
          <MapDrawing
            map={map}
            trees={trees}
            flowers={flowers}
            stops={stops}
            here={here}
            selected={selected}
            select={setSelected}
            moved={
              moving ? (of, to) => spot.submit({ tree: of, ...onEarth(map, to), how: 'DRAGGED' }) : undefined
            }
          />
          <Legend />
          <div className="line noprint">
            <Switch
              label={t('map.move')}
              checked={moving}
              onChange={(e) => setMoving(e.currentTarget.checked)}
            />
            <MapFiles />
          </div>
          <Problem>{spot.general}</Problem>
          <details className="card">
            <summary>{t('rows.title')}</summary>
            <div className="stack" style={{ marginTop: 12 }}>
              {map.blocks.map((b) => (
                <BlockRowsForm key={`${b.block} ${b.version}`} block={b} />
              ))}
            </div>
          </details>
        </div>
        <aside className="stack">
          {tree && <SpotCard key={tree.treeId} tree={tree} hangs={flowers.get(tree.treeId)} />}
          <section className="card">
            <h2>{t('map.listed', { n: trees.length })}</h2>
            {trees.length === 0 ? (
              <p className="soft">{t('map.none-shown')}</p>
            ) : (
              <TreeList
                trees={trees}
                flowers={flowers}
                stops={stops}
                here={here}
                selected={selected}
                select={setSelected}
              />
            )}
          </section>
        </aside>
      </div>
    </>
  );
}

/** Where the trees stand, what hangs on them at an hour, and the way of the next visit. */
export function OrchardMap() {
  const map = useQuery(queries.map());
  const bloom = useQuery(queries.bloom(HOURS));
  const plan = useQuery(queries.plan(PLAN_DAYS));
  const due = useQuery(queries.fruitSet());
  const checks = new Set(due.data?.rows.filter((r) => r.due?.now).map((r) => r.pollination.treeId));
  return (
    <>
      <OrchardTabs />
      <Loaded of={map}>
        {(m) =>
          m.trees.length === 0 ? (
            <Empty title={t('collect.no-trees')} action={<Link to="/orchard">{t('page.orchard')}</Link>}>
              {t('map.empty')}
            </Empty>
          ) : (
            <Loaded of={bloom}>{(b) => <Whole map={m} bloom={b} plan={plan.data} checks={checks} />}</Loaded>
          )
        }
      </Loaded>
    </>
  );
}
