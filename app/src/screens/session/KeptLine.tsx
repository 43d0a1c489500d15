import { useState, useSyncExternalStore } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { useKept } from '../../data/hire';
import { keep } from '../../data/keep';
import { deliver, deliveryState, keptCount, onDelivery } from '../../data/outbox';
import { Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useTones } from '../../ui/theme';
import { Body, Bold, Small } from '../../ui/words';

const clock = (at: number) => new Date(at).toTimeString().slice(0, 5);

/** The quiet line: what is still to be sent and since when. Nothing to say, nothing shown. */
export const KeptLine = () => {
  const { t } = useTranslation();
  const tones = useTones();
  const [open, setOpen] = useState(false);
  const delivery = useSyncExternalStore(onDelivery, deliveryState);
  const count = useKept(keptCount, []);
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

const KeptSheet = ({ onClose }: { onClose: () => void }) => {
  const { t } = useTranslation();
  const rows = useKept(async () => {
    const [events, photos, packs] = await Promise.all([
      keep.events.where('state').anyOf('kept', 'refused').toArray(),
      keep.photos.where('state').anyOf('kept', 'refused').toArray(),
      keep.packs.toArray(),
    ]);
    const boat = (hire: string) => packs.find(({ id }) => id === hire)?.boat.name ?? hire;
    const waiting = new Map<string, number>();
    for (const { hire, state } of events) if (state === 'kept') waiting.set(hire, (waiting.get(hire) ?? 0) + 1);
    return {
      waiting: [...waiting].map(([hire, count]) => ({ boat: boat(hire), count })),
      photos: photos.filter(({ state }) => state === 'kept').length,
      refused: [...events, ...photos]
        .filter(({ state }) => state === 'refused')
        .map((row) => ({
          id: 'id' in row ? row.id : row.sha,
          boat: boat(row.hire),
          what: 'id' in row ? row.held.event.body.kind : '',
          refusal: row.refusal,
        })),
    };
  }, []);
  if (!rows) return null;
  return (
    <Sheet
      title={t('kept.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t('kept.sendNow')} onPress={() => void deliver()} />}
    >
      <Body>{rows.waiting.length + rows.photos > 0 ? t('kept.waiting') : t('kept.calm')}</Body>
      {rows.waiting.map(({ boat, count }) => (
        <Bold key={boat}>{t('kept.events', { count, boat })}</Bold>
      ))}
      {rows.photos > 0 ? <Bold>{t('kept.photos', { count: rows.photos })}</Bold> : null}
      {rows.refused.length > 0 ? (
        <View style={{ gap: 6 }}>
          <Bold tone="leadText">{t('kept.refusedTitle')}</Bold>
          <Small>{t('kept.refusedWhy')}</Small>
          {rows.refused.map(({ id, boat, what, refusal }) => {
            const reason = refusal?.reason as keyof typeof import('../../i18n/en').en.refusal | undefined;
            return <Body key={id}>{`${boat} · ${what} · ${reason ? t(`refusal.${reason}`) : ''}: ${refusal?.detail ?? ''}`}</Body>;
          })}
        </View>
      ) : null}
    </Sheet>
  );
};
