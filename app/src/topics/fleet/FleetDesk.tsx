import { Slot, usePathname } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Beside } from '../../ui/beside';
import { useRoom } from '../../ui/room';
import { FleetList } from './FleetList';

/** On a desk, what is open in the fleet lies beside the list of all. */
export const FleetDesk = () => {
  const { t } = useTranslation();
  const { wide } = useRoom();
  const path = usePathname();
  if (!wide || path === '/fleet') return <Slot />;
  return (
    <Beside label={t('nav.fleet')} list={<FleetList path={path} />}>
      <Slot />
    </Beside>
  );
};
