import { RecordForm } from '../form/RecordForm';
import { Button, NumberInput, SegmentedControl } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../api/api';
import { useLabelSheet } from '../ui/LabelSheetForm';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, Loaded, Problem } from '../ui/States';
import { dayAndClock, plural } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { inUseOrder } from './lot-words';
import { PollenTabs } from './PollenTabs';
import classes from './Labels.module.css';

type Kind = Schemas['LabelsRequest']['kind'];

/** What came out of the printer that ships. */
function Printed() {
  const { zone } = useHere();
  const { data: printed = [] } = useQuery(queries.printed());
  return (
    <section className="card">
      <header>
        <h2>Label printer</h2>
      </header>
      {printed.length === 0 ? (
        <p className="soft small">
          A stand-in for a small label printer: what you send it comes out here, as it would on the roll.
        </p>
      ) : (
        <div className={classes.roll}>
          {printed.map((p, i) => (
            <figure key={i}>
              <img src={`data:image/png;base64,${p.png}`} alt={`label ${i + 1} that came out`} />
              <figcaption className="small soft">{dayAndClock(new Date(p.at), zone)}</figcaption>
            </figure>
          ))}
        </div>
      )}
    </section>
  );
}

function LabelForm({ lots, first }: { lots: Schemas['LotView'][]; first: string | null }) {
  const [copies, setCopies] = useState<Record<string, number | string>>(first ? { [first]: 1 } : {});
  const [kind, setKind] = useState<Kind>('JAR');
  const chosen = lots
    .map((l) => ({ lotId: l.id, copies: Number(copies[l.id] || 0) }))
    .filter((c) => c.copies > 0);
  const all = chosen.reduce((n, c) => n + c.copies, 0);
  const labels = useLabelSheet('A4_3_BY_7', (wanted) =>
    answer(api.POST('/api/labels', { body: { kind, lots: chosen, ...wanted } })),
  );
  const print = useSubmit(
    () => answer(api.POST('/api/printer', { body: { kind, lots: chosen, ...labels.wanted } })),
    [],
    () => undefined,
  );
  // The jar one came from stands above even when nothing is left in it.
  const usedUp = (l: Schemas['LotView']) => l.dosesLeft === 0 && l.id !== first;
  const line = (l: Schemas['LotView']) => (
    <div key={l.id} className={classes.lot}>
      <span>
        <b>{l.code}</b> {l.varietyName}
      </span>
      <NumberInput
        aria-label={`Labels of ${l.code}`}
        placeholder="0"
        min={0}
        max={500}
        w={90}
        value={copies[l.id] ?? ''}
        onChange={(v) => setCopies((c) => ({ ...c, [l.id]: v }))}
      />
    </div>
  );
  return (
    <div className={classes.columns}>
      <RecordForm
        form={labels.form}
        save={all === 0 ? 'Choose labels' : `Make ${plural(all, 'label')}`}
        disabled={all === 0}
        className="card stack"
        beside={
          <Button
            variant="outline"
            disabled={all === 0}
            loading={print.busy}
            onClick={() => print.submit(undefined)}
          >
            Send to the label printer
          </Button>
        }
      >
        <div>
          <b>Labels for each jar</b>
          {lots.filter((l) => !usedUp(l)).map(line)}
          {lots.some(usedUp) && (
            <details className="small">
              <summary>Used up ({lots.filter(usedUp).length})</summary>
              {lots.filter(usedUp).map(line)}
            </details>
          )}
        </div>
        <SegmentedControl
          aria-label="Kind of label"
          data={[
            { value: 'JAR', label: 'jar' },
            { value: 'BAG', label: 'bag' },
            { value: 'TAG', label: 'tag' },
          ]}
          value={kind}
          onChange={(v) => setKind(v)}
        />
        {labels.parts('pollen-labels.pdf')}
        <Problem>{print.general}</Problem>
      </RecordForm>
      <Printed />
    </div>
  );
}

/** Labels for jars, bags and tags. */
export function Labels() {
  const lots = useQuery(queries.lots());
  const [search] = useSearchParams();
  return (
    <>
      <PollenTabs />
      <h1>Print labels for jars</h1>
      <Loaded of={lots}>
        {(all) =>
          all.length === 0 ? (
            <Empty title="No jar yet">Collect pollen first; then its label can be printed.</Empty>
          ) : (
            <LabelForm lots={inUseOrder(all)} first={search.get('lot')} />
          )
        }
      </Loaded>
    </>
  );
}
