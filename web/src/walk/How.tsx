import { NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import type { Schemas } from '../kit/api';
import classes from './Walk.module.css';

type How = Schemas['PollinationHow'];

const LIMBS = {
  TRUNK: 'on the trunk',
  STOUT: 'on stout limbs',
  TWIG: 'on twigs',
  BRANCH_END: 'at branch ends',
} as const;

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
    of.limb && LIMBS[of.limb],
    of.tool,
  ].filter(Boolean);
  return (
    <details className={classes.marks}>
      <summary>How: {said.length > 0 ? said.join(', ') : 'not said'}</summary>
      <div className="stack">
        <NativeSelect
          label="Stage of the flowers"
          data={[
            { value: '', label: 'several, or not looked at' },
            ...sheet.stages
              .filter((s) => stages.includes(s.key))
              .map((s) => ({ value: s.key, label: s.name })),
          ]}
          value={of.stage}
          onChange={(e) => of.setStage(e.currentTarget.value)}
        />
        <NativeSelect
          label="Where they sit"
          data={[
            { value: '', label: 'here and there' },
            ...Object.entries(LIMBS).map(([value, label]) => ({ value, label })),
          ]}
          value={of.limb ?? ''}
          onChange={(e) => of.setLimb((e.currentTarget.value || undefined) as How['limb'])}
        />
        <NativeSelect
          label="Strokes"
          data={[
            { value: '', label: 'as set under Hours and habits' },
            { value: 'FULL', label: 'many, all round' },
            { value: 'LIGHT', label: 'once in and out' },
          ]}
          value={of.strokes ?? ''}
          onChange={(e) => of.setStrokes((e.currentTarget.value || undefined) as How['strokes'])}
        />
        <TextInput
          label="Tool"
          description="remembered on this device"
          value={of.tool}
          onChange={(e) => of.setTool(e.currentTarget.value)}
        />
      </div>
    </details>
  );
}
