import { say } from '@quay/core/fleet/words';
import type { Hold } from '@quay/core/record/walk';
import type { HirePack } from '@quay/contract/hire';
import { useTranslation } from 'react-i18next';

/** What holds her, in the renter's words: enough to ring about, no more than they can know. */
export const useAloneHolds = ({ book }: Pick<HirePack, 'book'>): ((hold: Hold) => string) => {
  const { t, i18n } = useTranslation();
  return (hold) => {
    switch (hold.is) {
      case 'safetyFitting': {
        const { fitting } = hold.fault;
        return t('alone.holdFitting', {
          name: say(book.fittings.find(({ id }) => id === fitting.id)?.name ?? fitting.name, i18n.language),
        });
      }
      case 'propeller':
        return t('alone.holdPropeller');
      case 'said':
        return t('alone.holdSaid', { why: hold.why });
      case 'tooMany':
        return t('alone.holdMany');
      case 'noJacket':
        return t('alone.holdJacket');
      case 'crew':
        return t('alone.holdCrew');
      case 'drill':
        return t('alone.holdDrill', {
          name: say(book.drills.find(({ id }) => id === hold.drill)?.name ?? { en: hold.drill }, i18n.language),
        });
      case 'contradiction':
        return t('alone.holdTwo');
    }
  };
};
