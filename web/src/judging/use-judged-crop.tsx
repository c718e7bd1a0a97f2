import { NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { queries } from '../api/queries';
import { useAddress } from '../ui/use-address';

/** The crop whose plants are judged, kept in the address, and the field to choose it with. */
export function useJudgedCrop() {
  const { data: varieties } = useQuery(queries.varieties());
  const { data: sheets = [] } = useQuery(queries.crops());
  const grown = sheets.filter((s) => varieties?.some((v) => v.crop === s.key));
  const [{ crop: chosen }, set] = useAddress({ crop: '' });
  const crop = grown.some((s) => s.key === chosen) ? chosen : (grown[0]?.key ?? '');
  const choice = grown.length > 1 && (
    <NativeSelect
      label="Crop"
      className="noprint"
      maw={260}
      data={grown.map((s) => ({ value: s.key, label: s.name }))}
      value={crop}
      onChange={(e) => set({ crop: e.currentTarget.value })}
    />
  );
  return { crop, choice, none: varieties !== undefined && sheets.length > 0 && grown.length === 0 };
}
