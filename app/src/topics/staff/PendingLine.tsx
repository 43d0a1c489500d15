import { deliveryState, pendingCount, onDelivery } from '../../local/outbox/deliver';
import { useContext, useState, useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { now } from '../../platform/clock';
import { usePending } from '../../local/usePending';
import { useTones } from '../../ui/theme';
import { Bold } from '../../ui/words';
import { insideWords } from '../../i18n/insideWords';
import { LetIn } from '../../local/letIn';
import { lazyScreen } from '../../ui/lazyScreen';

const clock = (at: number) => new Date(at).toTimeString().slice(0, 5);

const PendingSheet = lazyScreen(
  () => import('./PendingSheet'),
  (file) => file.PendingSheet,
  insideWords,
);

/** The quiet line: what is still to be sent and since when. Nothing to say, nothing shown. */
export const PendingLine = () => {
  const { t } = useTranslation();
  const tones = useTones();
  const [open, setOpen] = useState(false);
  const letIn = useContext(LetIn);
  const delivery = useSyncExternalStore(onDelivery, deliveryState);
  const count = usePending(['hires', 'events', 'photos'], pendingCount, []);
  const quiet = !count || (count.pending === 0 && count.refused === 0);
  const cut = delivery.state === 'noAnswer';
  if (quiet && !cut && delivery.state !== 'signIn') return null;
  const { state } = delivery;
  const matter = cut ? 'noSignal' : state === 'signIn' || state === 'wait' || state === 'quayFull' ? state : undefined;
  const stop = (count?.refused ?? 0) > 0;
  const since = clock(count?.since ?? now());
  const pending = count?.pending ?? 0;
  // Two short lines beside the boat's name: what is the matter, and how much is still here since when.
  const lines = [
    matter === undefined ? '' : t(`pending.${matter}`),
    pending === 0 ? '' : delivery.state === 'busy' ? t('pending.sending', { n: pending }) : t('pending.here', { n: pending }),
    pending === 0 || delivery.state === 'busy' ? '' : t('pending.since', { since }),
    stop ? t('pending.refused', { count: count?.refused ?? 0 }) : '',
  ].filter(Boolean);
  return (
    <>
      <TouchableRipple
        role="button"
        onPress={() => setOpen(true)}
        testID="pending-line"
        aria-label={[t('pending.title'), ...lines].join(', ')}
        style={{ minHeight: 52, justifyContent: 'center' }}
      >
        <>
          <View
            style={{
              backgroundColor: stop ? tones.dangerPale : tones.warningPale,
              borderLeftWidth: 4,
              borderLeftColor: stop ? tones.danger : tones.warning,
              borderRadius: 4,
              paddingHorizontal: 8,
              paddingVertical: 3,
            }}
          >
            {lines.map((line) => (
              <Bold key={line} size={13.5} tone={stop ? 'dangerText' : 'warningText'}>
                {line}
              </Bold>
            ))}
          </View>
        </>
      </TouchableRipple>
      {open && letIn ? <PendingSheet onClose={() => setOpen(false)} /> : null}
    </>
  );
};
