import { useTranslation } from 'react-i18next';
import { NoAnswer, Unread } from './api';

/** What went wrong, in words: what the quay says of it, or that there is no way to it. Never what a browser calls that. */
export const useErrorWords = (): ((error: Error) => string) => {
  const { t } = useTranslation();
  return (error) => (error instanceof Unread ? t('common.unread') : error instanceof NoAnswer ? t('common.noAnswer') : error.message);
};
