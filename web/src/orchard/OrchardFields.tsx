import { Button, NumberInput, SegmentedControl, Select, TextInput } from '@mantine/core';
import { Suspense, lazy, useEffect, useRef, useState } from 'react';
import type { Degrees } from './PlaceSketch';
import type { Schemas } from '../api/api';
import { toCelsius, toFahrenheit, type Units } from '../format/numbers';
import { useSubmit } from '../form/use-submit';
import { canAskDevice, devicePlace, useGuessedWeather } from './first-place';

/** An orchard while it is typed: numbers may still be empty. Temperatures in the units chosen. */
export interface OrchardDraft {
  name: string;
  latitude: number | string;
  longitude: number | string;
  zone: string;
  typicalMinimum: number | string;
  typicalMaximum: number | string;
  /** Ordinary days of January to December; none where one day stands for the year. */
  months: { low: number | string; high: number | string }[];
  units: Units;
  version?: number;
}

export const emptyOrchard = (): OrchardDraft => ({
  name: '',
  latitude: '',
  longitude: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  typicalMinimum: '',
  typicalMaximum: '',
  months: [],
  units: 'METRIC',
});

export function draftOf(o: Schemas['OrchardView']): OrchardDraft {
  const shown = (c: number) => (o.units === 'METRIC' ? c : toFahrenheit(c));
  return {
    name: o.name,
    latitude: o.latitude,
    longitude: o.longitude,
    zone: o.zone,
    typicalMinimum: shown(o.typicalMinimumC),
    typicalMaximum: shown(o.typicalMaximumC),
    months: o.typicalMonths.map((m) => ({ low: shown(m.minimumC), high: shown(m.maximumC) })),
    units: o.units,
    version: o.version,
  };
}

/** What is sent; a number that is missing is left out, so that the server names the field. */
export function orchardBody(d: OrchardDraft): Schemas['OrchardRequest'] {
  const number = (v: number | string) => (v === '' ? undefined : Number(v));
  const celsius = (v: number | string) => {
    const n = number(v);
    return n === undefined || d.units === 'METRIC' ? n : toCelsius(n);
  };
  return {
    name: d.name,
    latitude: number(d.latitude),
    longitude: number(d.longitude),
    zone: d.zone,
    typicalMinimumC: celsius(d.typicalMinimum),
    typicalMaximumC: celsius(d.typicalMaximum),
    typicalMonths: d.months.map((m) => ({ minimumC: celsius(m.low), maximumC: celsius(m.high) })),
    units: d.units,
    ...(d.version !== undefined && { version: d.version }),
  } as Schemas['OrchardRequest'];
}

/** The same temperatures in other units. */
function withUnits(d: OrchardDraft, units: Units): OrchardDraft {
  if (units === d.units) return d;
  const turned = (v: number | string) =>
    v === ''
      ? v
      : Math.round((units === 'METRIC' ? toCelsius(Number(v)) : toFahrenheit(Number(v))) * 10) / 10;
  return {
    ...d,
    units,
    typicalMinimum: turned(d.typicalMinimum),
    typicalMaximum: turned(d.typicalMaximum),
    months: d.months.map((m) => ({ low: turned(m.low), high: turned(m.high) })),
  };
}

/** The zones the browser knows, and the one at hand where it is not among them, such as UTC. */
function zones(current: string): string[] {
  const known = Intl.supportedValuesOf('timeZone');
  return current === '' || known.includes(current) ? known : [current, ...known];
}

// Coasts are large, and asked for once in the life of an orchard.
const PlaceSketch = lazy(async () => ({ default: (await import('./PlaceSketch')).PlaceSketch }));

const placeOf = (d: OrchardDraft): Degrees | undefined =>
  d.latitude === '' || d.longitude === ''
    ? undefined
    : { latitude: Number(d.latitude), longitude: Number(d.longitude) };

interface Props {
  value: OrchardDraft;
  onChange: (d: OrchardDraft) => void;
  errorFor: (field: string, label: string) => string | undefined;
}

export function OrchardFields({ value, onChange: changed, errorFor }: Props) {
  const degree = value.units === 'METRIC' ? '°C' : '°F';
  // Place and weather come later than asked for: what was typed meanwhile stays.
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  const onChange = (d: OrchardDraft) => {
    latest.current = d;
    changed(d);
  };
  const set = (part: Partial<OrchardDraft>) => onChange({ ...value, ...part });
  const weather = useGuessedWeather(() => latest.current, onChange);
  const [sketch, setSketch] = useState(false);
  const take = (place: Degrees) => {
    onChange({ ...latest.current, ...place });
    void weather.guess(place.latitude);
  };
  const device = useSubmit(devicePlace, [], take);
  return (
    <div className="form">
      <TextInput
        label="Name of the orchard"
        value={value.name}
        onChange={(e) => set({ name: e.currentTarget.value })}
        error={errorFor('name', 'Name')}
      />
      <div className="two">
        <NumberInput
          label="Latitude"
          description="degrees, south negative"
          decimalScale={5}
          value={value.latitude}
          onChange={(latitude) => set({ latitude })}
          onBlur={() => void weather.guess(latest.current.latitude)}
          error={errorFor('latitude', 'Latitude')}
        />
        <NumberInput
          label="Longitude"
          description="degrees, west negative"
          decimalScale={5}
          value={value.longitude}
          onChange={(longitude) => set({ longitude })}
          error={errorFor('longitude', 'Longitude')}
        />
      </div>
      <div className="line">
        {canAskDevice() && (
          <Button size="sm" variant="outline" loading={device.busy} onClick={() => device.submit(undefined)}>
            Use this device’s place
          </Button>
        )}
        <Button size="sm" variant="outline" aria-expanded={sketch} onClick={() => setSketch(!sketch)}>
          {sketch ? 'Close the world map' : 'Choose on a world map'}
        </Button>
        {device.general && <span className="warn small">{device.general}</span>}
      </div>
      {sketch && (
        <Suspense fallback={null}>
          <PlaceSketch place={placeOf(value)} choose={take} />
        </Suspense>
      )}
      <Select
        label="Time zone"
        searchable
        data={zones(value.zone)}
        value={value.zone}
        onChange={(zone) => set({ zone: zone ?? '' })}
        error={errorFor('zone', 'Time zone')}
      />
      <div>
        <b style={{ fontSize: 15 }}>Units</b>
        <SegmentedControl
          fullWidth
          value={value.units}
          onChange={(units) => onChange(withUnits(value, units))}
          data={[
            { value: 'METRIC', label: 'Metric, °C' },
            { value: 'IMPERIAL', label: 'Imperial, °F' },
          ]}
        />
      </div>
      <div className="two">
        <NumberInput
          label={`Typical lowest of a day in bloom, ${degree}`}
          value={value.typicalMinimum}
          onChange={(typicalMinimum) => weather.typedOver({ ...value, typicalMinimum })}
          error={errorFor('typicalMinimumC', 'Usual lowest')}
        />
        <NumberInput
          label={`Typical highest, ${degree}`}
          value={value.typicalMaximum}
          onChange={(typicalMaximum) => weather.typedOver({ ...value, typicalMaximum })}
          error={errorFor('typicalMaximumC', 'Usual highest')}
        />
      </div>
      {weather.guessed && (
        <p className="note" role="status">
          A guess from the latitude, for low ground, and different in every month. Type over it if you know
          better; recorded weather goes before it.
        </p>
      )}
      <p className="small soft">
        Flowers run faster in warmth. Until weather is recorded, every day counts as such a typical day.
      </p>
    </div>
  );
}
