import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { DrillRows, useDrills } from './DrillList';
import type { WalkView } from '../../local/useWalk';
import { StopSection } from '../../ui/stopSection';

/** What the renter shows that they can, at the stop where it is done: on the panel, or on the boat herself. */
export const ProveSection = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const here = view.stops[view.at]!.station.id;
  const drills = useDrills(view).filter(({ drill }) => drill.station === here);
  if (view.walk === 'in' || drills.length === 0) return null;
  const { hire } = view.pack;
  return (
    <StopSection name={t('drill.lane')}>
      <DrillRows
        drills={drills}
        onOpen={(id) => router.push(view.alone ? `/r/drill?id=${id}` : `/hire/${hire.id}/drill/${id}`)}
        {...(view.alone
          ? {}
          : {
              onBoat: (id: string) =>
                void view.enter(
                  [{ kind: 'drillDone', drill: id, how: 'onBoat', by: 'driver', mistakes: [], seconds: 0 }],
                  t('drill.keptBoat'),
                ),
            })}
      />
    </StopSection>
  );
};
