import { NativeSelect } from '@mantine/core';
import { answer, api } from '../api/api';
import { client } from '../api/client';
import { queries } from '../api/queries';
import { sayDone } from '../ui/undo';
import { LOCALES, speak, useLocale, type LocaleTag } from '../text/locale';
import { t } from '../text/text';
import classes from './Language.module.css';

/** The language in which one reads, kept with the account. Without a connection it holds on this device. */
export function Language() {
  const spoken = useLocale();
  const choose = async (tag: LocaleTag) => {
    await speak(tag);
    try {
      const session = await answer(api.PUT('/api/session/locale', { body: { locale: tag } }));
      client.setQueryData(queries.session().queryKey, session);
    } catch {
      sayDone(t('language.here-only'));
    }
  };
  return (
    <NativeSelect
      size="xs"
      classNames={{ root: classes.root!, input: classes.input!, description: classes.description! }}
      aria-label={t('language.choose')}
      description={spoken.startsWith('en') ? undefined : t('language.partly')}
      inputWrapperOrder={['input', 'description']}
      data={LOCALES.map((l) => ({ value: l.tag, label: l.name }))}
      value={spoken}
      onChange={(e) => void choose(e.currentTarget.value as LocaleTag)}
    />
  );
}
