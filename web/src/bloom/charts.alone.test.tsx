import { render, screen } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import type { Schemas } from '../api/api';
import { serve, show } from '../test/screen';
import { CourseChart } from './CourseChart';
import { DayRanges } from './DayRanges';
import { WeekChart } from './WeekChart';

vi.mock('@mantine/hooks', async (original) => ({
  ...(await original<typeof import('@mantine/hooks')>()),
  useElementSize: () => ({ ref: () => undefined, width: 800, height: 100 }),
}));

const day = (date: string, source: Schemas['WeatherDay']['source']): Schemas['WeatherDay'] => ({
  date,
  minimumC: 12,
  maximumC: 22,
  source,
});

describe('charts', () => {
  it('draws a bar a day, its kind of source by pattern and by word', () => {
    render(
      <DayRanges
        days={[day('2026-11-23', 'MEASURED'), day('2026-11-24', 'FORECAST'), day('2026-11-25', 'USUAL')]}
        today="2026-11-24"
        units="IMPERIAL"
      />,
    );
    expect(screen.getByRole('img', { name: 'Lowest and highest temperature of 3 days' })).toBeVisible();
    expect(screen.getByText('Tue 24 Nov: 54 °F to 72 °F, typed forecast')).toBeInTheDocument();
    expect(screen.getByText('today')).toBeVisible();
    for (const words of ['measured', 'typed forecast', 'typical day'])
      expect(screen.getByText(words)).toBeVisible();
  });

  it('says chill and heat in words too', () => {
    const weeks = [0, 1, 2].map((i) => ({
      until: `2026-05-0${i + 1}`,
      chillPortions: i * 3.2,
      growingDegreeHours: i * 1000,
    }));
    render(<WeekChart weeks={weeks} />);
    expect(
      screen.getByRole('img', {
        name: 'Chill portions rise to 6.4, growing degree hours to 2000 by Sun 3 May',
      }),
    ).toBeVisible();
    expect(document.body.innerHTML).not.toContain('NaN');
  });

  it('waits for two weeks before it draws a line', () => {
    render(<WeekChart weeks={[]} />);
    expect(screen.getByText(/The season has only begun/)).toBeVisible();
  });

  it('draws each variety’s season with the days that count as its text', () => {
    const season = {
      today: '2026-11-24',
      varieties: [
        {
          varietyId: 'e',
          name: 'Ember',
          crop: 'apple',
          recorded: false,
          course: { from: '2026-11-20', receptive: [0.05, 0.5, 1, 0.2, 0.02], shedding: [0, 0, 0.4, 1, 0.3] },
        },
        { varietyId: 'x', name: 'Nothing known', crop: 'apple', recorded: false },
      ],
    } as unknown as Schemas['Season'];
    serve({ 'GET /api/crops': [] });
    show(<CourseChart season={season} />);
    expect(
      screen.getByRole('img', {
        name: 'Ember: female Sat 21 Nov to Mon 23 Nov, male Sun 22 Nov to Tue 24 Nov',
      }),
    ).toBeVisible();
    expect(screen.queryByText('Nothing known')).toBeNull();
    expect(screen.getByText('apple, foreseen')).toBeVisible();
  });

  it('says so when there is nothing to draw', () => {
    serve({ 'GET /api/crops': [] });
    show(<CourseChart season={{ today: '2026-11-24', varieties: [] } as unknown as Schemas['Season']} />);
    expect(screen.getByText(/No variety has two years of dates/)).toBeVisible();
  });
});
