import { Modal } from '@mantine/core';
import { t } from '../text/text';
import { SignInForm } from './SignIn';

/** Asks who is there, over the page. */
export const SignInDialog = ({ close }: { close: () => void }) => (
  <Modal opened onClose={close} title={t('sign-in.ended')} centered>
    <SignInForm done={close} />
  </Modal>
);
