import { useTranslation } from 'react-i18next';
import { NoAnswer, Refused, Unread } from './api';
import { StoreSilent } from './localDb';
import { problemWords } from './problemWords';

/** What went wrong, in words: what the quay says of it, or that there is no way to it. Never what a browser calls that. */
export const useErrorWords = (): ((error: Error) => string) => {
  const { t } = useTranslation();
  return (error) => {
    if (error instanceof Refused) return problemWords(t, error.problem);
    if (error instanceof Unread) return t('common.unread');
    if (error instanceof NoAnswer) return t('common.noAnswer');
    if (error instanceof StoreSilent) return t('common.storeSilent');
    return error.message;
  };
};
