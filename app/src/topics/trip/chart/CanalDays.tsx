import type { CanalDay } from '@quay/core/trip/canal/canalPlan';
import { nightStops, shutBetween, type Stop } from '@quay/core/trip/canal/canalLine';
import { dateOf } from '@quay/core/time/zone';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { CountStepper } from '../../../ui/controls/countStepper';
import { ListRow } from '../../../ui/controls/listRow';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { dayName, longDay, spanOf } from '../../../ui/format';
import { measures } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { useClock } from './TurnCard';
import type { CanalNow } from './useCanalPlan';

const MINUTE = 60_000;

/** Days on a canal: how far, how many hours a day, and where each night is spent; changing one moves the rest. */
export const CanalDays = ({ canal, zone, onShow }: { canal: CanalNow; zone: string; onShow: (id: string) => void }) => {
  const { t } = useTranslation();
  const [night, setNight] = useState<string>();
  const { asked, plan, chosen, choose } = canal;
  const turnings = asked.line.stops.filter(({ kind }) => kind === 'turning');
  const shut = shutBetween(asked.line, dateOf(asked.from, zone), dateOf(asked.to, zone));
  const moved = Object.keys(chosen.nights).length > 0;
  return (
    <View style={{ gap: 12 }} testID="canal">
      {plan.is === 'plan' ? (
        <>
          <SlabBold size={22} heading={2}>
            {t('canal.title', { name: plan.turn.name, km: measures().far(Math.abs(plan.turn.alongM - asked.baseM)) })}
          </SlabBold>
          {plan.days.map((day) => (
            <Day
              key={day.day}
              day={day}
              zone={zone}
              chosen={chosen.nights[day.day] !== undefined}
              onNight={() => setNight(day.day)}
              onShow={onShow}
            />
          ))}
        </>
      ) : (
        <Notice kind="stop" title={plan.is === 'none' ? t('canal.none') : t('canal.cannot', { name: plan.turn.name })}>
          <Body>{t(moved ? 'canal.giveNights' : 'canal.give')}</Body>
        </Notice>
      )}
      {shut.length > 0 ? <Shut stops={shut} /> : null}
      <CountStepper
        label={t('canal.hours')}
        fewer={t('canal.fewer')}
        more={t('canal.more')}
        value={chosen.hours}
        least={1}
        most={12}
        onChange={(hours) => choose({ hours })}
        testID="canal-hours"
      />
      <View style={{ gap: 6 }} role="radiogroup" aria-label={t('canal.turnAt')}>
        <Small>{t('canal.turnAt')}</Small>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
          <ChoiceChip
            label={t('canal.farthest')}
            on={chosen.turn === undefined}
            onPress={() => choose({ turn: undefined })}
            testID="turn-farthest"
          />
          {turnings.map(({ id, name }) => (
            <ChoiceChip key={id} label={name} on={chosen.turn === id} onPress={() => choose({ turn: id })} testID={`turn-${id}`} />
          ))}
        </View>
      </View>
      {moved ? <Button mode="outlined" label={t('canal.asReckoned')} onPress={() => choose({ nights: {} })} testID="as-reckoned" /> : null}
      <Small>{t('canal.how', { speed: measures().speed(asked.speedMs) })}</Small>
      {night === undefined ? null : (
        <ModalSheet title={t('canal.chooseNight')} closeLabel={t('common.close')} onClose={() => setNight(undefined)}>
          <Small>{t('canal.rest')}</Small>
          {nightStops(asked.line).map(({ id, name, alongM }) => (
            <ListRow
              key={id}
              label={name}
              testID={`night-${id}`}
              style={{ justifyContent: 'center', paddingVertical: 6 }}
              onPress={() => {
                choose({ nights: { ...chosen.nights, [night]: id } });
                setNight(undefined);
              }}
            >
              <Bold>{name}</Bold>
              <Small>{t('canal.fromBase', { km: measures().far(Math.abs(alongM - asked.baseM)) })}</Small>
            </ListRow>
          ))}
        </ModalSheet>
      )}
    </View>
  );
};

/** What cannot be passed on some of the days. */
const Shut = ({ stops }: { stops: readonly Stop[] }) => {
  const { t, i18n } = useTranslation();
  const day = (of: string) => longDay(of, i18n.language);
  return (
    <View testID="shut">
      <Notice kind="ask" title={t('canal.shutTitle', { names: stops.map(({ name }) => name).join(', ') })}>
        <Body>
          {[
            ...stops.flatMap(({ name, shut }) => (shut ? [t('canal.shutOne', { name, from: day(shut.from), to: day(shut.to) })] : [])),
            t('canal.shutWhy'),
          ].join(' ')}
        </Body>
      </Notice>
    </View>
  );
};

const Day = ({
  day,
  zone,
  chosen,
  onNight,
  onShow,
}: {
  day: CanalDay;
  zone: string;
  chosen: boolean;
  onNight: () => void;
  onShow: (id: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const clock = useClock(zone);
  const { leaveMs, arriveMs, underWayMs, night, turns, passed, serves } = day;
  const locks = passed.filter(({ stop }) => stop.kind === 'lock').length;
  const waits = passed.filter(({ waitedMs }) => waitedMs > 5 * MINUTE);
  const stays = underWayMs === 0;
  return (
    <Card style={{ gap: 6 }}>
      <View testID={`day-${day.day}`} style={{ gap: 6 }}>
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
          <Bold>{dayName(Date.parse(`${day.day}T12:00:00Z`), 'UTC', i18n.language)}</Bold>
          <Bold tone="primaryText">{stays ? t('canal.stay') : t('canal.underWay', { span: spanOf(underWayMs / MINUTE) })}</Bold>
        </View>
        {stays ? null : <SlabBold size={24}>{`${clock(leaveMs)} – ${clock(arriveMs)}`}</SlabBold>}
        {turns ? <Tag kind="ok">{t('canal.turns', { name: turns.name })}</Tag> : null}
        <Body>
          {[
            night ? t('canal.night', { name: night.name }) : t('canal.home'),
            locks > 0 ? t('canal.locks', { count: locks }) : '',
            ...waits.map(({ stop, atMs, waitedMs }) =>
              t('canal.waits', { name: stop.name, time: clock(atMs), span: spanOf(waitedMs / MINUTE) }),
            ),
            serves.length > 0 ? t('canal.serves', { names: serves.map(({ name }) => name).join(', ') }) : '',
          ]
            .filter(Boolean)
            .join(' ')}
        </Body>
        {night ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Button mode="outlined" label={t(chosen ? 'canal.chosen' : 'canal.other')} onPress={onNight} testID={`change-${day.day}`} />
            <Button mode="outlined" label={t('canal.show')} onPress={() => onShow(night.id)} testID={`show-${day.day}`} />
          </View>
        ) : null}
      </View>
    </Card>
  );
};
