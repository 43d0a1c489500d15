import { signed } from '@quay/core/walk/events';
import { currentOf } from '@quay/core/events/record';
import { happenedAt } from '@quay/core/events/stored';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { Picture } from '../photo/picture';
import { Card } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Slab, Small } from '../../ui/words';

/** Who signed what was read back, going out and coming in. */
export const Signatures = ({ view }: { view: HireView }) => {
  const { t, i18n } = useTranslation();
  const now = useNow(60_000);
  const { record, pack } = view;
  const walks = (['out', 'in'] as const).map((walk) => ({
    walk,
    signed: (['renter', 'staff'] as const).flatMap((as) => {
      const found = currentOf(record, [walk, 'signed', as], signed);
      return found ? [{ as, drawing: found.value.drawing, at: new Date(happenedAt(found.by)).toISOString() }] : [];
    }),
  }));
  return (
    <>
      {walks.map(({ walk, signed }) =>
        signed.length === 0 ? null : (
          <Card key={walk} style={{ gap: 8, padding: 14 }}>
            <Slab size={18} tone="primaryText" heading={2}>
              {t(`hire.${walk}_`)}
            </Slab>
            <View style={{ flexDirection: 'row', gap: 10 }}>
              {signed.map(({ as, drawing, at }) => (
                <View key={as} style={{ flex: 1, gap: 2 }}>
                  {/* Ink on paper, whatever the light of the screen. */}
                  <View style={{ backgroundColor: '#FFFFFF', borderRadius: 8, padding: 4 }}>
                    <Picture hire={pack.hire.id} sha={drawing} alt={t(`log.${as}Signed`)} width="100%" height={64} fit="contain" />
                  </View>
                  <Small size={14}>{`${t(`log.${as}Signed`)} · ${whenOf(at, pack.base.zone, now, i18n.language)}`}</Small>
                </View>
              ))}
            </View>
          </Card>
        ),
      )}
    </>
  );
};
