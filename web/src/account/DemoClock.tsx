import { Menu } from '@mantine/core';
import { useHere } from '../ui/orchard-context';
import { answer, api } from '../api/api';
import { dayAndClock, fromWallTime, wallTime } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { t } from '../text/text';

const HOUR_MS = 3_600_000;

/** Moves the demo orchard's clock, which stands still otherwise. */
export function DemoClock() {
  const { now, zone } = useHere();
  const move = useSubmit(
    (to: Date) => answer(api.PUT('/api/demo-clock', { body: { now: to.toISOString() } })),
    [],
    () => undefined,
  );
  const later = (hours: number) => () => move.submit(new Date(now.getTime() + hours * HOUR_MS));
  const nextMorning = () => {
    const tomorrow = wallTime(new Date(now.getTime() + 24 * HOUR_MS), zone).slice(0, 10);
    move.submit(fromWallTime(`${tomorrow}T06:30`, zone));
  };
  return (
    <Menu position="right-end" width={210}>
      <Menu.Target>
        <button type="button" title={t('demo.move')}>
          {t('demo.clock', { at: dayAndClock(now, zone) })}
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{t('demo.stands-still')}</Menu.Label>
        <Menu.Item onClick={later(0.5)}>{t('demo.half-hour')}</Menu.Item>
        <Menu.Item onClick={later(2)}>{t('demo.two-hours')}</Menu.Item>
        <Menu.Item onClick={nextMorning}>{t('demo.morning')}</Menu.Item>
        <Menu.Item onClick={later(24)}>{t('demo.day')}</Menu.Item>
        <Menu.Item onClick={later(24 * 7)}>{t('demo.week')}</Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={later(-1)}>{t('demo.hour-back')}</Menu.Item>
        <Menu.Item onClick={later(-24)}>{t('demo.day-back')}</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
