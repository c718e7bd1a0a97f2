import { Select } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import { answer, api } from '../api/api';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { Loaded } from '../ui/States';
import { FileImport } from './FileImport';
import { ImportRuns } from './ImportRuns';
import { LargeFile } from './LargeFile';
import { PackageImport } from './PackageImport';
import { kindName, ORDER } from './kinds';

const kindsQuery = {
  queryKey: ['imports', 'kinds'],
  queryFn: () => answer(api.GET('/api/imports/kinds')),
};

/** Records from elsewhere: what they are, and the file. The kind is kept in the address. */
export function Import() {
  const kinds = useQuery(kindsQuery);
  const [search, setSearch] = useSearchParams();
  const kind = search.get('kind') ?? 'varieties';
  return (
    <>
      <OrchardTabs />
      <h1>Import records from a file</h1>
      <section className="card stack">
        <Select
          label="What are the lines of the file?"
          data={ORDER.map((k) => ({ value: k, label: kindName(k) }))}
          value={kind}
          onChange={(k) => k && setSearch({ kind: k }, { replace: true })}
          allowDeselect={false}
          maw={340}
        />
        <p className="soft small">
          A new orchard needs its varieties first, then its trees, then what was done on them. Maps come in as
          GeoJSON on the <Link to="/orchard/map">map</Link>.
        </p>
      </section>
      {kind === 'many-pollinations' || kind === 'many-checks' ? (
        <LargeFile key={kind} kind={kind} />
      ) : kind === 'package' ? (
        <PackageImport />
      ) : (
        <Loaded of={kinds}>
          {(all) => <FileImport key={kind} kind={all.find((k) => k.key === kind) ?? all[0]!} />}
        </Loaded>
      )}
      <ImportRuns />
    </>
  );
}
