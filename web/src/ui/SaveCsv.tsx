/** Which lines of a table are wanted, as the export's address takes it. */
interface Wanted {
  tree?: string;
  variety?: string;
  jar?: string;
  cross?: string;
  block?: string;
}

/** Tables of the page as CSV files, as far as they are shown. */
export function SaveCsv({ tables, of = {} }: { tables: readonly string[]; of?: Wanted }) {
  const search = new URLSearchParams(
    Object.entries({ ...of }).filter((e): e is [string, string] => !!e[1]),
  ).toString();
  if (tables.length === 0) return null;
  return (
    <p className="small soft noprint" style={{ marginTop: 16 }}>
      Save as CSV:{' '}
      {tables.map((table, i) => (
        <span key={table}>
          {i > 0 && ', '}
          <a href={`/api/records/tables/${table}.csv${search && `?${search}`}`} download>
            {table}
          </a>
        </span>
      ))}
    </p>
  );
}
