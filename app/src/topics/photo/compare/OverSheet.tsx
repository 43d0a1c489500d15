import { say } from '@quay/core/words/words';
import type { Surface } from '@quay/core/fleet/rows';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions } from 'react-native';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Small } from '../../../ui/words';
import { PairPictures } from './PairPictures';
import type { Pair } from './useComparisons';

/** Both photographs of a surface, for a renter: nothing that only the machine says of them. */
export const OverSheet = ({ hireId, surface, pair, onClose }: { hireId: string; surface: Surface; pair: Pair; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const width = Math.min(useWindowDimensions().width, 640) - 36;
  const name = say(surface.name, i18n.language);
  return (
    <ModalSheet title={name} closeLabel={t('common.close')} onClose={onClose}>
      <PairPictures hireId={hireId} out={pair.out} back={pair.back} compared={pair.state === 'done'} name={name} width={width} />
      <Small>{t('over.why')}</Small>
    </ModalSheet>
  );
};
