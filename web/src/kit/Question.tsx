import { Button, Modal } from '@mantine/core';

interface Props {
  question: { text: string; yes: () => void; no: () => void } | undefined;
}

/** A plain question of the server, answered with yes or no. */
export function Question({ question }: Props) {
  return (
    <Modal opened={question !== undefined} onClose={() => question?.no()} title="One question" centered>
      <p>{question?.text}</p>
      <div className="line" style={{ marginTop: 18, justifyContent: 'flex-end' }}>
        <Button variant="outline" onClick={() => question?.no()}>
          No, go back
        </Button>
        <Button onClick={() => question?.yes()}>Yes, record it</Button>
      </div>
    </Modal>
  );
}
