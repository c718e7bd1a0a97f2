import type { Schemas } from '../api/api';
import { plural } from '../format/time';
import { useMay } from '../ui/roles';
import { SendFile } from './SendFile';

function said({ lines }: Schemas['PackageImported']): string {
  const all = Object.values(lines).reduce((a, b) => a + b, 0);
  return `Imported: ${plural(all, 'line')} of ${plural(Object.keys(lines).length, 'table')}.`;
}

/** Everything of another machine into an orchard that is empty still. */
export function PackageImport() {
  const owner = useMay('OWN');
  return (
    <SendFile<Schemas['PackageImported']>
      path="/api/records/package"
      type="application/zip"
      accept=".zip,application/zip"
      choose="Choose a ZIP file"
      submit="Import everything"
      note="All of it is imported or nothing."
      disabled={!owner}
      done={said}
    >
      <p className="small">
        The ZIP that “Export everything” saved, as it was saved. It can only be read into an orchard without
        records. Names, pictures and earlier versions come along; those who wrote the records are known by
        name and cannot sign in here.
      </p>
      {!owner && <p className="note">Only the owner of the orchard can import a whole export.</p>}
    </SendFile>
  );
}
