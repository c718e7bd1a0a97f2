import { Button } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../api/api';
import { OrchardTabs } from '../orchard/OrchardTabs';
import { Loaded } from '../ui/States';
import classes from './Records.module.css';

const tablesQuery = {
  queryKey: ['records', 'tables'],
  queryFn: () => answer(api.GET('/api/records/tables')),
  staleTime: Infinity,
};

/** Everything in one file, or one table after another. */
export function Export() {
  const tables = useQuery(tablesQuery);
  return (
    <>
      <OrchardTabs />
      <h1>Export your records</h1>
      <section className="card stack">
        <h2>Everything in one file</h2>
        <p>
          A ZIP with a table for each kind of record, their earlier versions, pictures, the map, the calendar
          and the crop sheets you use.
        </p>
        <ul className={classes.plain}>
          <li>The tables are CSV: any spreadsheet, R or Python opens them.</li>
          <li>datapackage.json in it says what each column holds, with units and keys.</li>
          <li>The file can be imported into an empty orchard on another machine.</li>
          <li>Passwords, the addresses of calendar feeds and the keys of weather stations stay here.</li>
        </ul>
        <div className="line">
          <Button component="a" href="/api/records/package" download>
            Export everything
          </Button>
          <span className="soft small">With many pictures it takes a while until the download begins.</span>
        </div>
      </section>
      <section className="card stack">
        <h2>One table</h2>
        <p className="soft small">Times are in UTC. Removed records are left out here; the ZIP has them.</p>
        <Loaded of={tables}>
          {(all) => (
            <ul className={classes.tables}>
              {all.map((t) => (
                <li key={t.name}>
                  <a href={`/api/records/tables/${t.name}.csv`} download>
                    {t.name}.csv
                  </a>
                  <span className="soft small">{t.about}</span>
                </li>
              ))}
            </ul>
          )}
        </Loaded>
      </section>
    </>
  );
}
