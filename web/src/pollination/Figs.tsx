import { RecordForm } from '../form/RecordForm';
import { NumberField, TextField } from '../form/fields';
import { ActionIcon, Button, SegmentedControl } from '@mantine/core';
import { IconX } from '@tabler/icons-react';
import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useParams } from 'react-router';
import { answer, api, type Schemas, voidRecord } from '../api/api';
import { newId } from '../api/ids';
import { sayKept } from '../ui/undo';
import { useHere } from '../ui/orchard-context';
import { queries } from '../api/queries';
import { Empty, Loaded } from '../ui/States';
import { plural, said, shortDay } from '../format/time';
import { useSubmit } from '../form/use-submit';
import { Why } from '../ui/Why';
import classes from './Figs.module.css';
import { RoundTabs } from '../planning/RoundTabs';
import { decimal } from '../format/numbers';

type Fig = Schemas['Fig'];
type Eye = Fig['eye'];

const EYES: { value: Eye; label: string }[] = [
  { value: 'TIGHT_GREEN', label: 'eye tight' },
  { value: 'LOOSENING_GREEN', label: 'loosening' },
  { value: 'COLOURED', label: 'coloured' },
];
const SIZE: Record<Fig['size'], string> = {
  RIGHT: 'inject now',
  TOO_SMALL: 'still too small',
  TOO_LATE: 'too late: leave it as a comparison',
};

const voidFig = (f: Pick<Fig, 'id' | 'version'>) =>
  voidRecord('/api/figs/{id}/void', { id: f.id }, f.version, 'measured wrongly');

/** The name that likely comes next: Y7 after Y6. */
export function nextName(name: string): string {
  const number = /^(.*?)(\d+)$/.exec(name);
  return number ? `${number[1]}${Number(number[2]) + 1}` : '';
}

function Measure({ tree }: { tree: string }) {
  const { now, session } = useHere();
  const [id, setId] = useState(newId);
  const [fig, setFig] = useState('Y1');
  const [mm, setMm] = useState<number | string>('');
  const [eye, setEye] = useState<Eye>('LOOSENING_GREEN');
  const size = useRef<HTMLInputElement>(null);
  const body: Schemas['FigRequest'] = {
    treeId: tree,
    fig,
    diameterMm: Number(mm),
    eye,
    measuredAt: now.toISOString(),
  };
  const goOn = () => {
    setId(newId());
    setFig(nextName(fig));
    setMm('');
    size.current?.focus();
  };
  const form = useSubmit(
    () => answer(api.PUT('/api/figs/{id}', { params: { path: { id } }, body })),
    ['fig', 'diameterMm'],
    goOn,
    {
      write: () => ({
        method: 'PUT',
        path: `/api/figs/${id}`,
        body: { ...body },
        label: `fig ${fig}: ${mm} mm`,
        account: session.accountId,
      }),
      kept: () => {
        sayKept(`Fig ${fig}: ${mm} mm.`);
        goOn();
      },
    },
  );
  return (
    <section className="card noprint">
      <RecordForm form={form} save="Write down" inline disabled={mm === '' || fig.trim() === ''}>
        <TextField
          name="fig"
          label="Fig"
          description="what stands on its mark"
          w={150}
          value={fig}
          set={setFig}
          named="The name"
        />
        <NumberField
          name="diameterMm"
          ref={size}
          label="Diameter, mm"
          description="across the widest part"
          min={1}
          max={200}
          decimalScale={1}
          w={170}
          value={mm}
          set={setMm}
          named="Diameter"
        />
        <SegmentedControl aria-label="Eye" data={EYES} value={eye} onChange={(v) => setEye(v)} />
      </RecordForm>
    </section>
  );
}

function FigRow({ fig }: { fig: Fig }) {
  const { now, zone } = useHere();
  const remove = useSubmit(
    () => voidFig(fig),
    [],
    () => undefined,
  );
  return (
    <tr data-size={fig.size} className={classes[fig.size]}>
      <td>
        <b>{fig.fig}</b>
      </td>
      <td className="num">
        <Why
          label={`${decimal(fig.nowMm, 1)} mm`}
          because={
            <p>
              Measured {said(new Date(fig.measuredAt), now, zone)}: {fig.diameterMm} mm.{' '}
              {fig.mmPerDay === undefined
                ? 'Measured once; measure it again another day to see how fast it grows.'
                : `It grows by ${decimal(fig.mmPerDay, 1)} mm a day, between its last two measures.`}
            </p>
          }
        >
          <span className="figure" style={{ whiteSpace: 'nowrap' }}>
            {decimal(fig.nowMm, 1)} mm
          </span>
        </Why>
      </td>
      <td>
        {SIZE[fig.size]}
        <div className="small soft">
          {fig.size === 'TOO_SMALL' &&
            fig.rightFrom &&
            `right from ${shortDay(new Date(fig.rightFrom), zone)}`}
          {fig.size === 'RIGHT' && fig.lateFrom && `too late from ${shortDay(new Date(fig.lateFrom), zone)}`}
          {fig.size === 'TOO_LATE' && fig.eye === 'COLOURED' && 'its eye has changed colour'}
          {remove.general && <span className="warn">{remove.general}</span>}
        </div>
      </td>
      <td className="num noprint">
        <ActionIcon
          variant="subtle"
          aria-label={`Take the measure of ${fig.fig} back`}
          onClick={() => remove.submit(undefined)}
        >
          <IconX size={16} />
        </ActionIcon>
      </td>
    </tr>
  );
}

function List({ of }: { of: Schemas['Figs'] }) {
  return (
    <>
      <div className="say">
        <h1>
          {of.tree}: {of.right === 0 ? 'no fig to inject now' : `${plural(of.right, 'fig')} to inject now`}
        </h1>
        <div className="do noprint">
          <Button variant="outline" onClick={() => window.print()}>
            Print
          </Button>
        </div>
      </div>
      <Measure tree={of.treeId} />
      {of.figs.length === 0 ? (
        <Empty title="No fig measured yet">
          Mark a fig, measure it across and look at its eye. The list puts those of {of.rightFromMm} to{' '}
          {of.lateFromMm} mm first, the largest in front: they are past soonest.
        </Empty>
      ) : (
        <section className="card">
          <p className="soft small">
            Right from {of.rightFromMm} mm, too late from {of.lateFromMm} mm or once the eye changes colour.
            {of.right > 0 && ` These take ${of.suspensionMl} ml of suspension, with what is lost.`} Needles:
            cap them, one hand for the fig, and a sharps box.
          </p>
          <table className="plain">
            <thead>
              <tr>
                <th>Fig</th>
                <th className="num">Now</th>
                <th>What to do</th>
                <th className="noprint" aria-label="Remove" />
              </tr>
            </thead>
            <tbody>
              {of.figs.map((f) => (
                <FigRow key={f.id} fig={f} />
              ))}
            </tbody>
          </table>
        </section>
      )}
    </>
  );
}

/** Figs of a tree in the order in which they are injected. */
export function Figs() {
  const figs = useQuery(queries.figs(useParams().tree!));
  return (
    <>
      <RoundTabs />
      <Loaded of={figs}>{(f) => <List key={f.treeId} of={f} />}</Loaded>
    </>
  );
}
