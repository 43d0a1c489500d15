import type { Calendar } from '@quay/contract/calendar';
import { changeHire } from '@quay/contract/change';
import { CHANGE_REASONS, type ChangeReason } from '@quay/core/booking/events';
import type { Clash } from '@quay/core/booking/choices';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Choices } from '../../../ui/controls/choices';
import { whenOf } from '../../../ui/format';
import { useTones } from '../../../ui/theme';
import { Body, SlabBold } from '../../../ui/words';
import { useHireChange } from '../change/useHireChange';
import type { Wish } from './grid';

/** What was pushed elsewhere on the calendar: where it would be, what is in the way, and whether it stays there. */
export const MovedBar = ({
  wish: { hire, slot },
  data,
  clashes,
  now,
  onDone,
}: {
  wish: Wish;
  data: Calendar;
  clashes: readonly Clash[];
  now: number;
  onDone: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const [why, setWhy] = useState<ChangeReason>();
  const { fault, tight, busy, send } = useHireChange(hire);
  const { zone } = data.base;
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const swaps = slot.boat !== hire.boat;
  const whyWanted = swaps || hire.state === 'out';
  const of = JSON.stringify(slot);
  const insists = tight?.of === of;
  const boat = data.boats.find(({ id }) => id === slot.boat)?.name ?? slot.boat;
  const overlap = clashes.find(({ is }) => is === 'overlaps');
  const whoHas = ({ booked }: Clash) => data.hires.find(({ id }) => id === booked.hire)?.renter ?? t('calendar.outOfService');
  const keep = async () => {
    const body = {
      ...(slot.from === hire.from ? {} : { from: slot.from }),
      ...(slot.to === hire.to ? {} : { to: slot.to }),
      ...(swaps ? { boat: slot.boat } : {}),
      ...(why === undefined ? {} : { why }),
    };
    const done = await send(({ about, insist }) => call(changeHire, { ...about, body: { ...body, ...insist } }), t('change.kept'), of);
    if (done) onDone();
  };
  return (
    <View
      style={{ borderTopWidth: 2, borderTopColor: tones.line, backgroundColor: tones.board, padding: 12, gap: 8 }}
      testID="moved"
      aria-live="polite"
    >
      <SlabBold size={19}>{`${boat} · ${hire.renter} · ${when(slot.from)} – ${when(slot.to)}`}</SlabBold>
      {overlap ? (
        <Notice kind="stop" title={t('calendar.taken', { who: whoHas(overlap), from: when(overlap.booked.from) })} />
      ) : clashes[0] ? (
        <Body>{t('newHire.tight', { count: clashes[0].minutes, renter: whoHas(clashes[0]) })}</Body>
      ) : null}
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {insists ? <Notice kind="ask" title={tight.words} /> : null}
      {whyWanted ? (
        <Choices
          label={t('change.why')}
          options={CHANGE_REASONS}
          labelOf={(one) => t(`change.reason.${one}`)}
          value={why}
          onChange={setWhy}
          testID="why"
        />
      ) : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        <Button
          mode="contained"
          label={t(insists ? 'change.insist' : 'calendar.keep')}
          tone={insists ? 'warning' : 'primary'}
          disabled={overlap !== undefined || (whyWanted && why === undefined)}
          {...(whyWanted && why === undefined ? { hint: t('problem.whyMissing') } : {})}
          busy={busy}
          onPress={() => void keep()}
          testID="keep-moved"
        />
        <Button mode="outlined" label={t('calendar.drop')} onPress={onDone} testID="drop-moved" />
      </View>
    </View>
  );
};
