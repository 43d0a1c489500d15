import { marksOf } from '@quay/core/condition/placed';
import { isEntered, currentUnder } from '@quay/core/events/record';
import { pointBriefed } from '@quay/core/briefing/events';
import { counted } from '@quay/core/condition/events';
import { stateOf } from '@quay/core/day/board';
import { depositOf } from '@quay/core/settlement/deposit';
import { unattended } from '@quay/core/policy/policy';
import { attachmentsOf } from '@quay/core/record/event';
import { minutesBetween } from '@quay/core/time/zone';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type HireView } from '../../local/hire';
import { Card, Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { spanOf, whenOf } from '../../ui/format';
import { Money } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { Plan } from '../../ui/drawn/plan';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Scroll } from '../../ui/scroll';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Bold, Slab, SlabBold, Small } from '../../ui/words';
import { blocking, useCastOff } from '../castOff/useCastOff';
import { useMatterWords } from '../castOff/matterWords';
import { DossierCard } from '../record/DossierCard';
import { Log, RecordPanel } from '../record/Log';
import { DepositSheet, EndingNotice } from '../settlement/DepositSheet';
import { useBackToPlace } from '../navigation/lastPlace';
import { useMe } from '../../local/session';
import { AgreedPlanCard } from '../trip/AgreedPlan';
import { TripLinks } from './TripLinks';
import { CancelledNotice } from './CancelledNotice';
import { ContactRow } from './ContactRow';
import { HireSeals } from './HireSeals';
import { KeySheet } from './KeySheet';
import { LinkSheet } from './LinkSheet';

export const HireCard = ({ view }: { view: HireView }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const back = useBackToPlace();
  const now = useNow();
  const [log, setLog] = useState(false);
  // A hire that was just booked offers its renter's link at once.
  const { show } = useLocalSearchParams<{ show?: string }>();
  const [linking, setLinking] = useState(show === 'link');
  const [key, setKey] = useState(false);
  const [deposit, setDeposit] = useState(false);
  const { width, wide } = useRoom();
  const { pack, record } = view;
  const { hire, base } = pack;
  const state = stateOf(record);
  const alone = { out: unattended(hire.handover, 'out'), in: unattended(hire.handover, 'in') };
  const manager = useMe().data?.staff.role === 'manager';
  /** Nothing more comes to it. */
  const over = state === 'closed' || state === 'cancelled';
  const leftOther = record.ofOtherBoat.some(({ event: { body } }) => body.kind === 'castOff');
  const before = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  const holds = blocking(useCastOff(view));
  const words = useMatterWords(view);
  const when = (at: string) => whenOf(at, base.zone, now, i18n.language);
  const left = minutesBetween(new Date(now).toISOString(), hire.to);
  const next = () => {
    if (state === 'readyToGo') router.push(`/hire/${hire.id}/castoff`);
    else if (state === 'booked' || state === 'walkingOut') router.push(`/hire/${hire.id}/walk/out`);
    else if (state === 'out' || state === 'walkingIn') router.push(`/hire/${hire.id}/walk/in`);
    else if (state === 'settling') router.push(`/hire/${hire.id}/compare`);
    else router.push(`/hire/${hire.id}/statement`);
  };
  const counts = {
    told: currentUnder(record, ['out', 'point'], pointBriefed).length,
    counted: currentUnder(record, ['out', 'count'], counted).length,
    marks: marksOf(record, 'out').length,
    pictures: new Set(view.events.flatMap(({ stored }) => attachmentsOf(stored.event.body))).size,
  };
  const planWidth = wide ? Math.round(width * 0.57) : width;
  const facts = (
    <View style={{ gap: 12, padding: 12 }}>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <Tag kind={state === 'cancelled' ? 'stop' : state === 'closed' ? 'calm' : 'ok'} size={16}>
          {t(`hire.state.${state}`)}
        </Tag>
        {state === 'out' ? (
          <Tag kind={left < 0 ? 'stop' : 'ask'} size={16}>
            {left < 0 ? t('hire.over', { time: spanOf(left) }) : t('hire.left', { time: spanOf(left) })}
          </Tag>
        ) : null}
        {alone.in && state !== 'closed' ? (
          <Tag kind="ask" size={16}>
            {t(alone.out ? 'hire.unattended' : 'hire.unattendedIn')}
          </Tag>
        ) : null}
        <HireSeals view={view} />
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {state === 'walkingIn' || state === 'settling' || state === 'closed' ? (
          <Button mode="outlined" label={t('turn.title')} onPress={() => router.push(`/hire/${hire.id}/turnaround`)} testID="turnaround" />
        ) : null}
        <Button mode="outlined" label={t('notes.title')} onPress={() => router.push(`/hire/${hire.id}/notes`)} testID="notes" />
      </View>
      {state === 'cancelled' ? <CancelledNotice view={view} onDeposit={() => setDeposit(true)} /> : null}
      {view.unsent === undefined ? null : (
        <Notice kind={view.unsent === 'refused' ? 'stop' : 'ask'} title={t('hire.unsent')}>
          <Body>{t(view.unsent === 'refused' ? 'hire.unsentRefused' : 'hire.unsentWhy')}</Body>
        </Notice>
      )}
      {leftOther ? <Notice kind="stop" title={t('change.leftOther')} /> : null}
      {record.conflicts.length > 0 ? (
        <Notice kind="stop" title={t('hire.conflicts', { count: record.conflicts.length })}>
          {record.conflicts.map(({ subject }) => (
            <Body key={subject.join('/')}>{words.found({ is: 'conflict', subject })}</Body>
          ))}
        </Notice>
      ) : null}
      {over ? null : (
        <EndingNotice view={view}>
          <Button
            mode="outlined"
            label={t('deposit.see')}
            onPress={() => setDeposit(true)}
            style={{ alignSelf: 'flex-start' }}
            testID="deposit-see"
          />
        </EndingNotice>
      )}
      {record.late.length > 0 ? <Notice kind="ask" title={t('hire.late', { count: record.late.length })} /> : null}
      {record.proposed.length > 0 ? <Notice kind="ask" title={t('hire.proposed', { count: record.proposed.length })} /> : null}
      {record.wrongClocks.map(({ device, behindMs }) => (
        <Notice key={device} kind="ask" title={t('hire.wrongClock', { time: spanOf(behindMs / 60_000) })} />
      ))}
      {before ? (
        <Notice
          kind={holds.length > 0 ? 'stop' : 'ok'}
          title={holds.length > 0 ? t('hire.holds', { count: holds.length }) : t('hire.noHolds')}
        >
          {holds.slice(0, 3).map(({ key, found }) => (
            <Body key={key}>{words.found(found)}</Body>
          ))}
          {state === 'readyToGo' ? null : (
            <Button
              mode="outlined"
              label={t('castOff.see')}
              onPress={() => router.push(`/hire/${hire.id}/castoff`)}
              style={{ alignSelf: 'flex-start' }}
              testID="open-check"
            />
          )}
        </Notice>
      ) : null}
      <Card style={{ gap: 10 }}>
        <View style={{ flexDirection: 'row', gap: 20, flexWrap: 'wrap' }}>
          <View>
            <Small>{t('hire.out')}</Small>
            <SlabBold size={30}>{when(hire.from)}</SlabBold>
          </View>
          <View>
            <Small>{t('hire.back')}</Small>
            <SlabBold size={30}>{when(hire.to)}</SlabBold>
          </View>
        </View>
        <View>
          <Small>{t('hire.party')}</Small>
          <Slab size={22}>
            {[
              t('hire.adults', { count: hire.party.adults }),
              hire.party.children > 0 ? t('hire.children', { count: hire.party.children }) : '',
            ]
              .filter(Boolean)
              .join(', ')}
          </Slab>
        </View>
        <View>
          <Small>{t('hire.deposit')}</Small>
          <Money minor={hire.depositMinor} currency={pack.prices.currency} size={23} />
        </View>
        {over ? null : <AgreedPlanCard record={record} zone={base.zone} onChart={() => router.push(`/hire/${hire.id}/chart`)} />}
        {deposit ? <DepositSheet view={view} deposit={depositOf(record, hire.depositMinor)} onClose={() => setDeposit(false)} /> : null}
        {hire.notes ? (
          <View>
            <Small>{t('hire.notes')}</Small>
            <Body>{hire.notes}</Body>
          </View>
        ) : null}
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {before ? (
            <Button
              mode="outlined"
              label={t(isEntered(record, ['party']) ? 'fit.again' : 'fit.open')}
              onPress={() => router.push(`/hire/${hire.id}/fit`)}
              testID="fit"
            />
          ) : null}
          {over ? null : <TripLinks hire={hire} zone={base.zone} />}
          {!over && alone.in ? <Button mode="outlined" label={t('key.title')} onPress={() => setKey(true)} testID="key" /> : null}
          {state === 'cancelled' ? null : <Button mode="outlined" label={t('link.title')} onPress={() => setLinking(true)} testID="link" />}
        </View>
        {key ? <KeySheet view={view} onClose={() => setKey(false)} /> : null}
        {linking ? (
          <LinkSheet
            view={view}
            onClose={() => {
              setLinking(false);
              if (show !== undefined) router.setParams({ show: undefined });
            }}
          />
        ) : null}
        <ContactRow contact={hire.contact} base={pack.base.id} language={hire.language} />
        {over ? null : (
          <Button
            mode="outlined"
            label={t('change.title')}
            onPress={() => router.push(`/hire/${hire.id}/change`)}
            testID="change"
            style={{ alignSelf: 'flex-start' }}
          />
        )}
      </Card>
      {isEntered(record, ['out', 'sealed']) ? <DossierCard view={view} /> : null}
      <Card style={{ gap: 4 }}>
        <Small>{t('hire.record')}</Small>
        <Bold>
          {[
            t('hire.told', { n: counts.told }),
            t('hire.counted', { n: counts.counted }),
            t('hire.marks', { count: counts.marks }),
            t('hire.pictures', { count: counts.pictures }),
          ].join(' · ')}
        </Bold>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 6 }}>
          {wide || view.events.length === 0 ? null : (
            <Button mode="outlined" label={t('hire.seeRecord')} onPress={() => setLog(true)} testID="see-record" />
          )}
          {state === 'settling' || state === 'closed' ? (
            <Button mode="outlined" label={t('compare.title')} onPress={() => router.push(`/hire/${hire.id}/compare`)} />
          ) : null}
          {manager && (state === 'out' || state === 'walkingIn' || state === 'settling' || state === 'closed') ? (
            <Button mode="outlined" label={t('hire.track')} onPress={() => router.push(`/hire/${hire.id}/track`)} testID="open-track" />
          ) : null}
          {state === 'walkingOut' && isEntered(view.record, ['out', 'started']) ? (
            <Button mode="outlined" label={t('sign.title.out')} onPress={() => router.push(`/hire/${hire.id}/sign/out`)} />
          ) : null}
        </View>
        {log ? (
          <ModalSheet title={t('hire.record')} closeLabel={t('common.close')} onClose={() => setLog(false)} list>
            <Log view={view} />
          </ModalSheet>
        ) : null}
      </Card>
    </View>
  );
  const main =
    state === 'cancelled' ? null : (
      <Button
        mode="contained"
        label={t(`hire.do.${state}`)}
        onPress={next}
        testID="hire-next"
        {...(wide ? { style: { minWidth: 260 } } : {})}
      />
    );
  const about = { title: pack.boat.name, sub: `${hire.renter} · ${pack.boat.hullNumber}`, onBack: back };
  if (!wide)
    return (
      <Screen {...about} {...(main ? { footer: main } : {})}>
        <Plan plan={pack.book.plan} stations={[]} stops={[]} width={width} height={140} />
        {facts}
      </Screen>
    );
  return (
    <Screen {...about} right={main} fill>
      <View style={{ flexDirection: 'row', flex: 1 }}>
        <Scroll style={{ flexGrow: 0, width: planWidth }} contentContainerStyle={{ paddingBottom: 20 }}>
          <Plan plan={pack.book.plan} stations={[]} stops={[]} width={planWidth} height={200} />
          {facts}
        </Scroll>
        <View style={{ flex: 1 }}>
          <RecordPanel view={view} />
        </View>
      </View>
    </Screen>
  );
};
