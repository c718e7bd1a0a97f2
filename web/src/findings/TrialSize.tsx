import { Button, NativeSelect, NumberInput } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/api';
import { queries } from '../api/queries';
import classes from './Findings.module.css';

/** How many flowers each way needs, reckoned from what one expects. */
export function TrialSize({
  use,
}: {
  use: (flowers: number, expected: Schemas['ComparisonExpected']) => void;
}) {
  const [one, setOne] = useState<number | string>(40);
  const [other, setOther] = useState<number | string>(60);
  const [power, setPower] = useState('0.8');
  const size = useQuery({
    ...queries.trialSize(Number(one) / 100, Number(other) / 100, Number(power)),
    retry: false,
  });
  return (
    <div className={`card ${classes.finding}`}>
      <h2>How many flowers do I need?</h2>
      <div className="line" style={{ alignItems: 'flex-end' }}>
        <NumberInput label="Sets now, %" value={one} onChange={setOne} min={1} max={99} w={130} />
        <NumberInput label="Would matter if, %" value={other} onChange={setOther} min={1} max={99} w={150} />
        <NativeSelect
          label="Chance to see it"
          data={[
            { value: '0.8', label: '80 %' },
            { value: '0.9', label: '90 %' },
          ]}
          value={power}
          onChange={(e) => setPower(e.currentTarget.value)}
        />
        {size.data && (
          <Button
            variant="outline"
            onClick={() =>
              use(size.data.flowersEach, {
                one: Number(one) / 100,
                other: Number(other) / 100,
                power: size.data.power,
              })
            }
          >
            Use {size.data.flowersEach} of each
          </Button>
        )}
      </div>
      {size.data && <p>{size.data.say}</p>}
      {size.error && <p className="warn">{size.error.message}</p>}
      <p className="small soft">
        Exact power of the interval by which it will be judged (Newcombe 1998, 95 %). Fewer flowers see only
        larger differences.
      </p>
    </div>
  );
}
