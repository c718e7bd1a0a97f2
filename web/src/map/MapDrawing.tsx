import { useElementSize } from '@mantine/hooks';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { useEffect, useRef, useState } from 'react';
import { PhasePatterns } from '../charts/PhasePatterns';
import { t } from '../text/text';
import {
  boundsOf,
  phaseOf,
  rowsOf,
  spotOf,
  type Flowers,
  type MapTree,
  type OrchardMap,
  type Spot,
} from './map-state';
import classes from './Map.module.css';

const MARGIN_M = 5;
/** Of a tree's mark, pixels. */
const SMALLEST = 6;
const LARGEST = 15;
/** Names fit under the marks from so many pixels a metre on. */
const NAMES_FROM = 14;

interface Props {
  map: OrchardMap;
  trees: MapTree[];
  flowers: Map<string, Flowers>;
  /** the visit's trees in order */
  stops: string[];
  here: (Spot & { accuracy: number }) | undefined;
  selected: string | undefined;
  select: (tree: string) => void;
  /** a tree was dragged to another spot; absent where trees stand fast */
  moved: ((tree: MapTree, to: Spot) => void) | undefined;
}

/** On a phone held upright the map leaves room for what stands over it. */
const heightFor = (width: number): number => Math.min(520, Math.max(300, width));

/** The map's metres in pixels: the whole orchard in view, before anybody zooms. */
function scaleOf(map: OrchardMap, width: number, height: number) {
  const bounds = boundsOf(map.trees.map(spotOf), MARGIN_M);
  const k = Math.min(width / (bounds.east - bounds.west), height / (bounds.north - bounds.south));
  const left = (width - k * (bounds.east - bounds.west)) / 2;
  const top = (height - k * (bounds.north - bounds.south)) / 2;
  return {
    k,
    x: (s: Spot) => left + (s.east - bounds.west) * k,
    y: (s: Spot) => top + (bounds.north - s.north) * k,
  };
}

/** Wheel, pinch and drag; the buttons do the same. */
function useZoom(width: number, height: number) {
  const svg = useRef<SVGSVGElement>(null);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown>>(undefined);
  const [view, setView] = useState<ZoomTransform>(zoomIdentity);
  useEffect(() => {
    if (!svg.current || width === 0) return;
    behaviour.current = zoom<SVGSVGElement, unknown>()
      .extent([
        [0, 0],
        [width, height],
      ])
      .scaleExtent([0.5, 40])
      // A tree that is dragged moves itself, not the map.
      .filter((e: Event) => !(e.target as Element).closest('[data-draggable]'))
      .on('zoom', (e: { transform: ZoomTransform }) => setView(e.transform));
    select(svg.current).call(behaviour.current);
  }, [width, height]);
  const by = (factor: number) => {
    if (svg.current && behaviour.current) behaviour.current.scaleBy(select(svg.current), factor);
  };
  const whole = () => {
    if (svg.current && behaviour.current) behaviour.current.transform(select(svg.current), zoomIdentity);
  };
  return { svg, view, closer: () => by(1.6), farther: () => by(1 / 1.6), whole };
}

function TreeMark({
  tree,
  x,
  y,
  radius,
  flowers,
  order,
  named,
  selected,
  draggable,
  onSelect,
  onMoved,
}: {
  tree: MapTree;
  x: number;
  y: number;
  radius: number;
  flowers: Flowers | undefined;
  /** its place in the visit, from 1 */
  order: number;
  named: boolean;
  selected: boolean;
  draggable: boolean;
  onSelect: () => void;
  onMoved: (byX: number, byY: number) => void;
}) {
  const phase = phaseOf(flowers);
  const [drag, setDrag] = useState<{ fromX: number; fromY: number; x: number; y: number }>();
  const at = drag ? { x: x + drag.x - drag.fromX, y: y + drag.y - drag.fromY } : { x, y };
  return (
    <g
      transform={`translate(${at.x} ${at.y})`}
      className={classes.tree}
      data-tree={tree.tree}
      data-phase={phase}
      {...(draggable && { 'data-draggable': true })}
      onClick={onSelect}
      onPointerDown={(e) => {
        if (!draggable) return;
        e.currentTarget.setPointerCapture(e.pointerId);
        setDrag({ fromX: e.clientX, fromY: e.clientY, x: e.clientX, y: e.clientY });
      }}
      onPointerMove={(e) => setDrag((d) => d && { ...d, x: e.clientX, y: e.clientY })}
      onPointerUp={() => {
        if (drag && Math.hypot(drag.x - drag.fromX, drag.y - drag.fromY) > 4)
          onMoved(drag.x - drag.fromX, drag.y - drag.fromY);
        setDrag(undefined);
      }}
    >
      {selected && <circle r={radius + 6} className={classes.ring} />}
      <circle r={radius} className={classes.crown} />
      {(phase === 'female' || phase === 'both') && (
        <path
          d={phase === 'both' ? `M0 ${-radius}A${radius} ${radius} 0 0 0 0 ${radius}Z` : circle(radius)}
          fill="url(#mapt)"
        />
      )}
      {(phase === 'male' || phase === 'both') && (
        <path
          d={phase === 'both' ? `M0 ${-radius}A${radius} ${radius} 0 0 1 0 ${radius}Z` : circle(radius)}
          fill="url(#mapg)"
        />
      )}
      <circle r={radius} className={tree.measured ? classes.measured : classes.inRow} />
      {order > 0 && (
        <g transform={`translate(${radius} ${-radius}) scale(${Math.max(0.75, radius / LARGEST)})`}>
          <circle r={9} className={classes.order} />
          <text className={classes.orderText} dy={4.2}>
            {order}
          </text>
        </g>
      )}
      {named && (
        <text className={classes.name} y={radius + 15}>
          {tree.tree}
        </text>
      )}
    </g>
  );
}

const circle = (r: number) => `M${-r} 0A${r} ${r} 0 1 1 ${r} 0A${r} ${r} 0 1 1 ${-r} 0Z`;

/** The orchard from above: rows to scale, trees by their phase, the visit's path through them, and where one is. */
export function MapDrawing({ map, trees, flowers, stops, here, selected, select: choose, moved }: Props) {
  const { ref, width } = useElementSize();
  const height = heightFor(width);
  const { k, x, y } = scaleOf(map, Math.max(width, 1), height);
  const { svg, view, closer, farther, whole } = useZoom(width, height);
  const [px, py] = [(s: Spot) => view.applyX(x(s)), (s: Spot) => view.applyY(y(s))];
  const byId = new Map(map.trees.map((tree) => [tree.treeId, tree]));
  const path = stops.flatMap((id) => byId.get(id) ?? []).map(spotOf);
  const metre = k * view.k;
  const closest = Math.min(...map.blocks.map((b) => Math.min(b.rowSpacingM, b.placeSpacingM)));
  const radius = Math.min(LARGEST, Math.max(SMALLEST, 0.42 * closest * metre));
  const scale = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((m) => m * metre >= 60) ?? 1000;
  const blocks = map.blocks.map((b) => ({
    name: b.block,
    of: map.trees.filter((tree) => tree.block === b.block).map(spotOf),
  }));
  return (
    <div ref={ref} className={classes.frame}>
      <svg
        ref={svg}
        width={width}
        height={height}
        className={classes.map}
        role="img"
        aria-label={t('map.drawing')}
      >
        <PhasePatterns id="map" />
        {rowsOf(map.trees).map((r) => (
          <line
            key={r.key}
            x1={px(r.from)}
            y1={py(r.from)}
            x2={px(r.to)}
            y2={py(r.to)}
            className={classes.row}
          />
        ))}
        {blocks.map(({ name, of }) => {
          const b = boundsOf(of, 0);
          const top = { east: (b.west + b.east) / 2, north: b.north };
          return (
            <text key={name} x={px(top)} y={py(top) - radius - 10} className={classes.block}>
              {name || t('map.no-block')}
            </text>
          );
        })}
        {path.length > 1 && (
          <polyline points={path.map((s) => `${px(s)},${py(s)}`).join(' ')} className={classes.path} />
        )}
        {trees.map((tree) => (
          <TreeMark
            key={tree.treeId}
            tree={tree}
            x={px(spotOf(tree))}
            y={py(spotOf(tree))}
            radius={radius}
            flowers={flowers.get(tree.treeId)}
            order={stops.indexOf(tree.treeId) + 1}
            named={metre >= NAMES_FROM || selected === tree.treeId}
            selected={selected === tree.treeId}
            draggable={moved !== undefined}
            onSelect={() => choose(tree.treeId)}
            onMoved={(byX, byY) =>
              moved?.(tree, { east: tree.eastM + byX / metre, north: tree.northM - byY / metre })
            }
          />
        ))}
        {here && (
          <g transform={`translate(${px(here)} ${py(here)})`} data-here>
            <circle r={Math.max(8, here.accuracy * metre)} className={classes.about} />
            <circle r={7} className={classes.here} />
          </g>
        )}
        <g transform={`translate(16 ${height - 18})`} className={classes.scale}>
          <path d={`M0 -6V0H${scale * metre}V-6`} />
          <text x={scale * metre + 8}>{t('map.metres', { n: scale })}</text>
        </g>
        <g transform={`translate(26 ${height - 74})`} className={classes.north}>
          <path d="M0 -16L7 6L0 1L-7 6Z" />
          <text y={22}>{t('compass.north-letter')}</text>
        </g>
      </svg>
      <div className={classes.zoom}>
        <button type="button" onClick={closer} aria-label={t('map.closer')}>
          +
        </button>
        <button type="button" onClick={farther} aria-label={t('map.farther')}>
          −
        </button>
        <button type="button" onClick={whole}>
          {t('map.whole')}
        </button>
      </div>
    </div>
  );
}
