import type { Control } from '@quay/core/fleet/drills';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';

/** What the positions of a control are called: the drill's own words, or the usual ones. */
export const usePositions = (): ((control: Control, position: string) => string) => {
  const { t, i18n } = useTranslation();
  return (control, position) => {
    const own = control.positions.find(({ id }) => id === position)?.say;
    return own ? say(own, i18n.language) : t(`drill.at.${position}` as 'drill.at.off', { defaultValue: position });
  };
};
