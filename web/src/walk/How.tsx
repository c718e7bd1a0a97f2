import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Walk.module.css';
import { t } from '../text/text';

type How = Schemas['PollinationHow'];

const LIMBS = ['TRUNK', 'STOUT', 'TWIG', 'BRANCH_END'] as const;

/**
 * How the flowers of a stop are treated, as far as it is worth comparing later: the tool is remembered on this device, the stage is
 * known where the stop has one only.
 */
export function useHow(stages: string[]) {
  const [tool, setTool] = useState(() => localStorage.getItem('tool') ?? '');
  const [stage, setStage] = useState(stages.length === 1 ? stages[0]! : '');
  const [limb, setLimb] = useState<How['limb']>();
  const [strokes, setStrokes] = useState<How['strokes']>();
  const how: How = {
    treatment: 'HAND',
    ...(tool.trim() && { tool: tool.trim() }),
    ...(stage && { stage }),
    ...(limb && { limb }),
    ...(strokes && { strokes }),
  };
  return {
    how,
    tool,
    setTool: (t: string) => {
      localStorage.setItem('tool', t);
      setTool(t);
    },
    stage,
    setStage,
    limb,
    setLimb,
    strokes,
    setStrokes,
  };
}

/** Shut until somebody wants to say more than how many. */
export function HowFields({
  of,
  sheet,
  stages,
}: {
  of: ReturnType<typeof useHow>;
  sheet: Schemas['CropSheetView'];
  stages: string[];
}) {
  const said = [
    of.stage && sheet.stages.find((s) => s.key === of.stage)?.name.toLowerCase(),
    of.limb && t(`how.limb.${of.limb}`),
    of.tool,
  ].filter(Boolean);
  return (
    <details className={classes.marks}>
      <summary>{t('how.title', { how: said.length > 0 ? said.join(', ') : t('how.not-said') })}</summary>
      <div className="stack">
        <NativeSelect
          label={t('how.stage')}
          data={[
            { value: '', label: t('how.several') },
            ...sheet.stages
              .filter((s) => stages.includes(s.key))
              .map((s) => ({ value: s.key, label: s.name })),
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
    </details>
  );
}
