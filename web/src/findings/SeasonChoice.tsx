import { NativeSelect } from '@mantine/core';
import type { Schemas } from '../api/api';
import type { OfSeason } from '../api/queries';

interface Props {
  seasons: Schemas['FindingSeason'][];
  shown: Schemas['FindingSeason'];
  choose: (of: OfSeason) => void;
}

/** Which season of which crop; nothing where there is one only. */
export function SeasonChoice({ seasons, shown, choose }: Props) {
  if (seasons.length < 2) return null;
  return (
    <NativeSelect
      aria-label="Season and crop"
      data={seasons.map((s) => ({ value: `${s.season} ${s.crop}`, label: `${s.cropName} ${s.season}` }))}
      value={`${shown.season} ${shown.crop}`}
      onChange={(e) => {
        const [season, crop] = e.currentTarget.value.split(' ');
        choose({ season: Number(season), crop: crop! });
      }}
    />
  );
}
