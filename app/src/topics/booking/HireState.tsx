import type { DayHire } from '@quay/core/day/board';
import { useTranslation } from 'react-i18next';
import { Tag } from '../../ui/board';

/** In a word or two, how far a hire has come. */
export const useHireState = () => {
  const { t } = useTranslation();
  return ({ broken, hold, state }: DayHire): string =>
    broken ? t('day.broken') : hold && state !== 'closed' ? t('day.held') : t(`hire.state.${state}`);
};

export const HireState = ({ hire }: { hire: DayHire }) => {
  const word = useHireState()(hire);
  const { broken, hold, state } = hire;
  return (
    <Tag kind={broken || (hold && state !== 'closed') ? 'stop' : state === 'closed' ? 'calm' : state === 'booked' ? 'ok' : 'ask'}>
      {word}
    </Tag>
  );
};
