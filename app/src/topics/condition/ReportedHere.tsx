import { currentOf } from '@quay/core/events/record';
import { reported } from '@quay/core/condition/events';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Picture } from '../photo/picture';
import { Notice } from '../../ui/board';
import type { WalkView } from '../../local/useWalk';

/** What the renter reported from afloat about this stop; what named no stop comes up at the first. */
export const ReportedHere = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const { record, pack, stops, at, walk } = view;
  const here = stops[at]!.station.id;
  const reports = (currentOf(record, ['reported'], reported)?.currentEvents ?? []).flatMap(({ event: { id, body } }) =>
    body.kind === 'reported' && (body.station === here || (at === 0 && !stops.some(({ station }) => station.id === body.station)))
      ? [{ ...body, id }]
      : [],
  );
  if (walk !== 'in') return null;
  return (
    <>
      {reports.map(({ id, what, note, photos }) => (
        <Notice key={id} kind="ask" title={t(`walk.reported.${what}`, { note })}>
          {photos.length > 0 ? (
            <View style={{ flexDirection: 'row', gap: 8 }}>
              {photos.slice(0, 3).map((sha, i) => (
                <Picture key={sha} hire={pack.hire.id} sha={sha} alt={t('photo.of', { n: i + 1, name: note })} width={96} height={64} />
              ))}
            </View>
          ) : null}
        </Notice>
      ))}
    </>
  );
};
