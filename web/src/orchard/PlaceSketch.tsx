import { Button } from '@mantine/core';
import { geoEquirectangular, geoGraticule10, geoPath } from 'd3-geo';
import { select } from 'd3-selection';
import { zoom, zoomIdentity, zoomTransform, type ZoomBehavior, type ZoomTransform } from 'd3-zoom';
import { useEffect, useMemo, useRef, useState } from 'react';
import { feature } from 'topojson-client';
import type { GeometryCollection, Topology } from 'topojson-specification';
import coasts from 'world-atlas/land-110m.json';
import classes from './PlaceSketch.module.css';

const WIDTH = 640;
const HEIGHT = 320;
const CLOSEST = 60;
/** A finger on the sketch is no nearer than this. */
const DECIMALS = 100;

const projection = geoEquirectangular()
  .scale(WIDTH / (2 * Math.PI))
  .translate([WIDTH / 2, HEIGHT / 2]);

const rounded = (degrees: number): number => Math.round(degrees * DECIMALS) / DECIMALS;

export interface Degrees {
  latitude: number;
  longitude: number;
}

interface Props {
  place: Degrees | undefined;
  choose: (place: Degrees) => void;
}

function useShapes() {
  return useMemo(() => {
    const path = geoPath(projection);
    const world = coasts as unknown as Topology<{ land: GeometryCollection }>;
    return { land: path(feature(world, world.objects.land)) ?? '', lines: path(geoGraticule10()) ?? '' };
  }, []);
}

/** The coasts of the world in outline: a place to the tenth part of a degree, for sun and typical weather. */
export function PlaceSketch({ place, choose }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown>>(undefined);
  const chosen = useRef(choose);
  const [view, setView] = useState<ZoomTransform>(zoomIdentity);
  const { land, lines } = useShapes();
  useEffect(() => {
    chosen.current = choose;
  });
  useEffect(() => {
    const drawing = select(svg.current!);
    const zoomed = zoom<SVGSVGElement, unknown>()
      .extent([
        [0, 0],
        [WIDTH, HEIGHT],
      ])
      .scaleExtent([1, CLOSEST])
      .translateExtent([
        [0, 0],
        [WIDTH, HEIGHT],
      ])
      .on('zoom', (e: { transform: ZoomTransform }) => setView(e.transform));
    behaviour.current = zoomed;
    drawing.call(zoomed).on('dblclick.zoom', null);
    drawing.on('click', (e: MouseEvent) => {
      const box = svg.current!.getBoundingClientRect();
      const at: [number, number] = [
        ((e.clientX - box.left) / box.width) * WIDTH,
        ((e.clientY - box.top) / box.height) * HEIGHT,
      ];
      const there = projection.invert!(zoomTransform(svg.current!).invert(at));
      if (there && Math.abs(there[1]) <= 90 && Math.abs(there[0]) <= 180)
        chosen.current({ latitude: rounded(there[1]), longitude: rounded(there[0]) });
    });
    return () => void drawing.on('.zoom', null).on('click', null);
  }, []);
  const by = (factor: number) => behaviour.current?.scaleBy(select(svg.current!), factor);
  const mark = place && view.apply(projection([place.longitude, place.latitude])!);
  return (
    <div className={classes.sketch}>
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        role="img"
        aria-label="Outline of the world; the degrees can be typed above instead"
      >
        <g transform={view.toString()}>
          <path className={classes.lines} d={lines} />
          <path className={classes.land} d={land} />
        </g>
        {mark && <circle className={classes.mark} cx={mark[0]} cy={mark[1]} r={5} />}
      </svg>
      <div className="line">
        <Button size="sm" variant="outline" onClick={() => by(2)}>
          Closer
        </Button>
        <Button size="sm" variant="outline" onClick={() => by(0.5)}>
          Farther
        </Button>
        <span className="small soft">Press where the orchard is. Closer first gives a better place.</span>
      </div>
    </div>
  );
}
