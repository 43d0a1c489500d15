import { useState, useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { deliveryState, keptCount, onDelivery } from '../../data/outbox';
import { useKept } from '../../data/useKept';
import { useTones } from '../../ui/theme';
import { Bold } from '../../ui/words';
import { open as opened } from '../open';

const clock = (at: number) => new Date(at).toTimeString().slice(0, 5);

const KeptSheet = opened((inside) => inside.KeptSheet);

/** The quiet line: what is still to be sent and since when. Nothing to say, nothing shown. */
export const KeptLine = () => {
  const { t } = useTranslation();
  const tones = useTones();
  const [open, setOpen] = useState(false);
  const delivery = useSyncExternalStore(onDelivery, deliveryState);
  const count = useKept(['events', 'photos'], keptCount, []);
  const quiet = !count || (count.kept === 0 && count.refused === 0);
  const cut = delivery.state === 'noAnswer';
  if (quiet && !cut && delivery.state !== 'signIn') return null;
  const stop = (count?.refused ?? 0) > 0;
  return (
    <>
      <Pressable
        role="button"
        onPress={() => setOpen(true)}
        testID="kept-line"
        aria-label={t('kept.title')}
        style={{ minHeight: 52, justifyContent: 'center' }}
      >
        <View
          style={{
            backgroundColor: stop ? tones.leadPale : tones.mariPale,
            borderLeftWidth: 4,
            borderLeftColor: stop ? tones.lead : tones.mari,
            borderRadius: 4,
            paddingHorizontal: 9,
            paddingVertical: 4,
          }}
        >
          {cut ? (
            <Bold size={14} tone={stop ? 'leadText' : 'mariText'}>
              {t('kept.noSignal')}
            </Bold>
          ) : delivery.state === 'signIn' ? (
            <Bold size={14} tone={stop ? 'leadText' : 'mariText'}>
              {t('kept.signIn')}
            </Bold>
          ) : null}
          {count && count.kept > 0 ? (
            <Bold size={14} tone={stop ? 'leadText' : 'mariText'}>
              {delivery.state === 'busy'
                ? t('kept.sending', { n: count.kept })
                : t('kept.some', { count: count.kept, since: clock(count.since ?? Date.now()) })}
            </Bold>
          ) : null}
          {stop ? (
            <Bold size={14} tone="leadText">
              {t('kept.refused', { count: count?.refused ?? 0 })}
            </Bold>
          ) : null}
        </View>
      </Pressable>
      {open ? <KeptSheet onClose={() => setOpen(false)} /> : null}
    </>
  );
};
