import { scaleLinear } from 'd3-scale';
import { IntervalPlot, type Interval } from './IntervalPlot';

const SHARES = [0, 0.25, 0.5, 0.75, 1];

interface Props {
  label: string;
  rows: Interval[];
  /** So wide may names be beside their bars, px. */
  widestName: number;
}

/** Shares on one axis from 0 to 100 %, each a point with its interval. */
export const SharePlot = (props: Props) => (
  <IntervalPlot
    {...props}
    scale={(width) => scaleLinear().range([0, width])}
    ticks={SHARES.map((t) => ({ value: t, label: `${t * 100}${t === 1 ? ' %' : ''}` }))}
  />
);
