import { Button, Radio } from '@mantine/core';
import type { Schemas } from '../api/api';
import { plural } from '../format/time';
import type { Answers } from './use-file-import';

type View = Schemas['ImportView'];
type Question = Schemas['ImportQuestion'];

interface Props {
  view: View;
  answers: Answers;
  say: (more: Answers) => void;
}

const Changes = ({ changes }: { changes: Schemas['ImportChange'][] }) => (
  <div className="scroll">
    <table className="plain">
      <thead>
        <tr>
          <th className="num">Line</th>
          <th>Column</th>
          <th>Here</th>
          <th>In the file</th>
        </tr>
      </thead>
      <tbody>
        {changes.map((c) => (
          <tr key={`${c.line} ${c.field}`}>
            <td className="num">{c.line}</td>
            <td>{c.field}</td>
            <td>{c.before || '–'}</td>
            <td>
              <b>{c.after || '–'}</b>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  </div>
);

function Asked({ question, view, answers, say }: Props & { question: Question }) {
  const yes = () => say({ confirmed: [...(answers.confirmed ?? []), question.key] });
  switch (question.key) {
    case 'date-order':
      return (
        <Radio.Group
          label={`Which number comes first in a date? (${plural(question.lines, 'line')})`}
          onChange={(v) => say({ dateOrder: v as 'DAY_FIRST' | 'MONTH_FIRST' })}
        >
          <div className="line" style={{ gap: 28, marginTop: 8 }}>
            <Radio value="DAY_FIRST" label="The day: 3/4 is 3 April" />
            <Radio value="MONTH_FIRST" label="The month: 3/4 is March 4" />
          </div>
        </Radio.Group>
      );
    case 'decimal-mark':
      return (
        <Radio.Group
          label={`What does a comma in a number mean? (${plural(question.lines, 'line')})`}
          onChange={(v) => say({ decimalMark: v as 'POINT' | 'COMMA' })}
        >
          <div className="line" style={{ gap: 28, marginTop: 8 }}>
            <Radio value="COMMA" label="Decimals: 1,5 is one and a half" />
            <Radio value="POINT" label="It is wrong there; decimals have a point" />
          </div>
        </Radio.Group>
      );
    case 'changes':
      return (
        <div className="stack">
          <p>
            {plural(question.lines, 'record')} {question.lines === 1 ? 'is' : 'are'} here with other values.
          </p>
          <Changes changes={view.changes} />
          <div className="line">
            <Button variant="outline" onClick={yes}>
              Take the values of the file
            </Button>
          </div>
        </div>
      );
    case 'leave-out':
      return (
        <div className="stack">
          <p>
            {plural(question.lines, 'line')} cannot be read. Put {question.lines === 1 ? 'it' : 'them'} right
            above, or leave {question.lines === 1 ? 'it' : 'them'} out.
          </p>
          <div className="line">
            <Button variant="outline" onClick={yes}>
              Leave out {plural(question.lines, 'line')}
            </Button>
          </div>
        </div>
      );
    default:
      return (
        <div className="stack">
          <p>
            {question.text} ({plural(question.lines, 'line')})
          </p>
          <div className="line">
            <Button variant="outline" onClick={yes}>
              Yes, import them
            </Button>
          </div>
        </div>
      );
  }
}

/** What has to be answered before the file can be imported. */
export const ImportQuestions = (props: Props) =>
  props.view.questions.map((q) => (
    <div key={q.key} className="note">
      <Asked question={q} {...props} />
    </div>
  ));
