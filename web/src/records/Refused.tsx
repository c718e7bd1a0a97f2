import { ProblemError } from '../api/problem';

/** What was wrong, a line each. */
export function Refused({ error }: { error: Error }) {
  const said =
    error instanceof ProblemError ? (error.problem.errors?.[0]?.message ?? error.message) : error.message;
  const [head, ...lines] = said.split(/; (?=line )|(?<=lines?\.) (?=line )/);
  return (
    <div className="note bad" role="alert">
      <p>The file {head}</p>
      {lines.length > 0 && (
        <ul>
          {lines.map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
