import { NativeSelect, TextInput } from '@mantine/core';
import type { Schemas } from '../api/api';
import { t } from '../text/text';
import type { useHow } from './How';

type How = Schemas['PollinationHow'];

const LIMBS = ['TRUNK', 'STOUT', 'TWIG', 'BRANCH_END'] as const;

/** Stage, place, strokes and tool. */
export function HowInputs({
  of,
  sheet,
  stages,
}: {
  of: ReturnType<typeof useHow>;
  sheet: Schemas['CropSheetView'];
  stages: string[];
}) {
  return (
    <div className="stack">
      <NativeSelect
        label={t('how.stage')}
        data={[
          { value: '', label: t('how.several') },
          ...sheet.stages.filter((s) => stages.includes(s.key)).map((s) => ({ value: s.key, label: s.name })),
        ]}
        value={of.stage}
        onChange={(e) => of.setStage(e.currentTarget.value)}
      />
      <NativeSelect
        label={t('how.where')}
        data={[
          { value: '', label: t('how.anywhere') },
          ...LIMBS.map((value) => ({ value, label: t(`how.limb.${value}`) })),
        ]}
        value={of.limb ?? ''}
        onChange={(e) => of.setLimb((e.currentTarget.value || undefined) as How['limb'])}
      />
      <NativeSelect
        label={t('how.strokes')}
        data={[
          { value: '', label: t('how.as-set') },
          { value: 'FULL', label: t('how.many') },
          { value: 'LIGHT', label: t('how.once') },
        ]}
        value={of.strokes ?? ''}
        onChange={(e) => of.setStrokes((e.currentTarget.value || undefined) as How['strokes'])}
      />
      <TextInput
        label={t('how.tool')}
        description={t('how.remembered')}
        value={of.tool}
        onChange={(e) => of.setTool(e.currentTarget.value)}
      />
    </div>
  );
}
