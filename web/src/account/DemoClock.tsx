import { Menu } from '@mantine/core';
import { useHere } from '../kit/orchard-context';
import { answer, api } from '../kit/api';
import { dayAndClock, fromWallTime, wallTime } from '../kit/time';
import { useSubmit } from '../kit/use-submit';

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
        <button type="button" title="Move the demo's clock">
          demo clock {dayAndClock(now, zone)}
        </button>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>The demo’s time stands still until you move it</Menu.Label>
        <Menu.Item onClick={later(0.5)}>half an hour later</Menu.Item>
        <Menu.Item onClick={later(2)}>two hours later</Menu.Item>
        <Menu.Item onClick={nextMorning}>tomorrow at 06:30</Menu.Item>
        <Menu.Item onClick={later(24)}>a day later</Menu.Item>
        <Menu.Item onClick={later(24 * 7)}>a week later</Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={later(-1)}>an hour back</Menu.Item>
        <Menu.Item onClick={later(-24)}>a day back</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
