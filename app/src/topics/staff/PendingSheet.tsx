import { deliver, deliveryState, namedPhotos } from '../../local/outbox/deliver';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { localDb } from '../../local/localDb';
import { problemWords } from '../../local/problemWords';
import { usePending } from '../../local/usePending';
import type { en } from '../../i18n/en';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Bold, Small } from '../../ui/words';

/** What is kept on this phone and not yet at the quay, and what the quay would not take. */
export const PendingSheet = ({ onClose }: { onClose: () => void }) => {
  const { t } = useTranslation();
  const rows = usePending(
    ['hires', 'events', 'photos'],
    async () => {
      const db = await localDb();
      const both = ['pending', 'refused'] as const;
      const [booked, events, photos] = await Promise.all([
        db.getAll('hires'),
        Promise.all(both.map((state) => db.getAllFromIndex('events', 'state', state))).then((found) => found.flat()),
        Promise.all(both.map((state) => db.getAllFromIndex('photos', 'state', state))).then((found) => found.flat()),
      ]);
      const hires = [...new Set([...events, ...photos].map(({ hire }) => hire))];
      const names = new Map(await Promise.all(hires.map(async (hire) => [hire, (await db.get('packs', hire))?.boat.name] as const)));
      const boat = (hire: string) => names.get(hire) ?? hire;
      const waiting = new Map<string, number>();
      const named = await namedPhotos(
        photos.map(({ hire }) => hire),
        ['pending', 'synced', 'aside'],
      );
      for (const { hire, state } of events) if (state === 'pending') waiting.set(hire, (waiting.get(hire) ?? 0) + 1);
      return {
        booked: booked
          .filter(({ state }) => state === 'pending')
          .map(({ id, boatName, body }) => ({ id, boat: boatName, renter: body.renter })),
        refusedHires: booked.filter(({ state }) => state === 'refused'),
        waiting: [...waiting].map(([hire, count]) => ({ boat: boat(hire), count })),
        photos: photos.filter(({ state, hire, sha }) => state === 'pending' && named.has(`${hire}/${sha}`)).length,
        refused: [...events, ...photos]
          .filter(({ state }) => state === 'refused')
          .map((row) => ({
            id: 'id' in row ? row.id : row.sha,
            boat: boat(row.hire),
            what: 'id' in row ? row.stored.event.body.kind : '',
            refusal: row.refusal,
          })),
      };
    },
    [],
  );
  const [busy, setBusy] = useState(false);
  const [outcome, setOutcome] = useState<ReturnType<typeof deliveryState>['state']>();
  const send = async () => {
    setBusy(true);
    setOutcome(undefined);
    try {
      await deliver();
      setOutcome(deliveryState().state);
    } finally {
      setBusy(false);
    }
  };
  if (!rows) return null;
  return (
    <ModalSheet
      title={t('pending.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('pending.sendNow')} busy={busy} onPress={() => void send()} testID="send-now" />}
    >
      {outcome === undefined || outcome === 'busy' ? null : (
        <Notice kind={outcome === 'idle' ? 'ok' : 'ask'} title={t(`pending.outcome.${outcome}`)} />
      )}
      <Body>{rows.booked.length + rows.waiting.length + rows.photos > 0 ? t('pending.waiting') : t('pending.calm')}</Body>
      {rows.booked.map(({ id, ...what }) => (
        <Bold key={id}>{t('pending.hire', what)}</Bold>
      ))}
      {rows.waiting.map(({ boat, count }) => (
        <Bold key={boat}>{t('pending.events', { count, boat })}</Bold>
      ))}
      {rows.photos > 0 ? <Bold>{t('pending.photos', { count: rows.photos })}</Bold> : null}
      {rows.refused.length + rows.refusedHires.length > 0 ? (
        <View style={{ gap: 6 }}>
          <Bold tone="dangerText">{t('pending.refusedTitle')}</Bold>
          <Small>{t('pending.refusedWhy')}</Small>
          {rows.refusedHires.map(({ id, boatName, body, refusal }) => (
            <Body
              key={id}
            >{`${t('pending.hire', { boat: boatName, renter: body.renter })} · ${problemWords(t, { code: refusal?.reason ?? '' })}`}</Body>
          ))}
          {rows.refused.map(({ id, boat, what, refusal }) => {
            const reason = refusal?.reason as keyof typeof en.refusal | undefined;
            const why = [reason ? t(`refusal.${reason}`) : '', refusal?.detail ?? ''].filter(Boolean).join(': ');
            return <Body key={id}>{`${boat} · ${what} · ${why}`}</Body>;
          })}
        </View>
      ) : null}
    </ModalSheet>
  );
};
