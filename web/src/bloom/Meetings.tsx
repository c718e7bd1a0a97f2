import { IconAlertTriangle } from '@tabler/icons-react';
import type { Schemas } from '../api/api';
import { useHere } from '../ui/orchard-context';
import classes from './Bloom.module.css';
import { hoursWords, missWords } from './bloom-words';

/** For each variety the good hours, and the days on which females and pollen miss each other. */
export function Meetings({
  meetings,
  crops,
}: {
  meetings: Schemas['VarietyMeeting'][];
  crops: Schemas['CropSheetView'][];
}) {
  const { zone, now } = useHere();
  const wanted = meetings.filter((m) => m.collect || m.pollinate || m.misses.length > 0);
  if (wanted.length === 0) return null;
  return (
    <section className="card">
      <header>
        <h2>Good hours, variety by variety</h2>
        <span className="small soft">from flowers on the trees; jars on the shelf come on top</span>
      </header>
      <div className={classes.meetings}>
        {wanted.map((m) => (
          <div key={m.varietyId} className={classes.meeting} data-variety={m.varietyName}>
            <b>{m.varietyName}</b>{' '}
            <span className="soft">{crops.find((c) => c.key === m.crop)?.name.toLowerCase()}</span>
            <div>{hoursWords(m, now, zone)}</div>
            {m.misses.slice(0, 3).map((miss) => (
              <div key={miss.date} className={classes.miss}>
                <IconAlertTriangle size={18} style={{ flexShrink: 0, marginTop: 1 }} aria-hidden />
                {missWords(miss)}
              </div>
            ))}
            {m.misses.length > 3 && (
              <div className="small warn">and {m.misses.length - 3} more such days</div>
            )}
          </div>
        ))}
      </div>
    </section>
  );
}
