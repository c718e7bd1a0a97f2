import { Button } from '@mantine/core';
import { useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/api';
import { Question } from '../form/Question';
import { sayDone } from '../ui/undo';
import { useSubmit } from '../form/use-submit';
import { t } from '../text/text';
import { Problem } from '../ui/States';

/** The trees as GeoJSON, out and in. */
export function MapFiles() {
  const chooser = useRef<HTMLInputElement>(null);
  const [unreadable, setUnreadable] = useState(false);
  const read = useSubmit(
    (file: Schemas['FeatureCollection'], confirmed) =>
      answer(api.POST('/api/map/import', { body: { file, confirmed } })),
    [],
    (came) => sayDone(t('map.imported', { n: came.trees })),
  );
  const take = async (file: File | undefined) => {
    if (!file) return;
    setUnreadable(false);
    try {
      read.submit(JSON.parse(await file.text()) as Schemas['FeatureCollection']);
    } catch {
      setUnreadable(true);
    }
  };
  return (
    <>
      <input
        ref={chooser}
        type="file"
        accept=".geojson,.json,application/geo+json"
        hidden
        aria-label={t('map.file')}
        onChange={(e) => {
          void take(e.currentTarget.files?.[0]);
          e.currentTarget.value = '';
        }}
      />
      <Button variant="outline" component="a" href="/api/map.geojson" download="orchard.geojson">
        {t('map.export')}
      </Button>
      <Button variant="outline" loading={read.busy} onClick={() => chooser.current?.click()}>
        {t('map.import')}
      </Button>
      {unreadable && <span className="warn">{t('map.no-json')}</span>}
      <Problem>{read.general}</Problem>
      <Question question={read.question} />
    </>
  );
}
