import { lazy, Suspense, useState } from 'react';
import type { Schemas } from '../api/api';
import classes from './Walk.module.css';
import { t } from '../text/text';

type How = Schemas['PollinationHow'];

// Shut at first, and fetched apart: the first load does without.
const HowInputs = lazy(async () => ({ default: (await import('./HowInputs')).HowInputs }));

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
      <Suspense fallback={null}>
        <HowInputs of={of} sheet={sheet} stages={stages} />
      </Suspense>
    </details>
  );
}
