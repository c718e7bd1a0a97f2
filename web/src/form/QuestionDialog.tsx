import { Button, Modal } from '@mantine/core';
import { t } from '../text/text';

import type { Asked } from './Question';

interface Props {
  question: Asked;
}

export function QuestionDialog({ question }: Props) {
  return (
    <Modal opened onClose={() => question.no()} title={t('question.title')} centered>
      <p>{question.text}</p>
      <div className="line" style={{ marginTop: 18, justifyContent: 'flex-end' }}>
        <Button variant="outline" onClick={() => question.no()}>
          {t('question.no')}
        </Button>
        <Button onClick={() => question.yes()}>{t('question.yes')}</Button>
      </div>
    </Modal>
  );
}
