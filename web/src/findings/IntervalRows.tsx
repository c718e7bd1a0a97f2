import type { Schemas } from '../api/api';
import { percent } from '../format/numbers';
import { SharePlot } from '../charts/SharePlot';
import { AsTable } from './AsTable';

interface Row {
  name: string;
  rate?: Schemas['SetRate'] | undefined;
  few?: boolean;
  undecided?: number;
}

/** Shares on one axis from 0 to 100 %, each a point with its interval; hatched where the flowers are few. The table says the same. */
export function IntervalRows({ rows, label }: { rows: Row[]; label: string }) {
  const said = rows
    .map((r) =>
      r.rate
        ? `${r.name} ${percent(r.rate.share)}, between ${percent(r.rate.lower)} and ${percent(r.rate.upper)}`
        : `${r.name} not decided`,
    )
    .join('; ');
  return (
    <div>
      <SharePlot
        label={`${label}: ${said}`}
        widestName={230}
        rows={rows.map((r) => ({
          key: r.name,
          name: r.name,
          instead: 'not decided yet',
          ...(r.rate && {
            range: { lower: r.rate.lower, value: r.rate.share, upper: r.rate.upper },
            weak: r.few === true,
            figure: (
              <>
                <tspan fontWeight={700}>{percent(r.rate.share)}</tspan>
                <tspan fill="var(--soft)" fontSize={13}>
                  {' '}
                  of {r.rate.decided}
                </tspan>
              </>
            ),
          }),
        }))}
      />
      <AsTable words={[label]} figures={['Set', 'Share', '95 % interval', 'Not yet known']}>
        {rows.map((r) => (
          <tr key={r.name}>
            <td>
              {r.name}
              {r.few && r.rate && <span className="soft"> (few)</span>}
            </td>
            <td className="num">{r.rate ? `${r.rate.taken} of ${r.rate.decided}` : '–'}</td>
            <td className="num">{r.rate ? percent(r.rate.share) : '–'}</td>
            <td className="num">{r.rate ? `${percent(r.rate.lower)} to ${percent(r.rate.upper)}` : '–'}</td>
            <td className="num">{r.undecided ?? 0}</td>
          </tr>
        ))}
      </AsTable>
    </div>
  );
}
