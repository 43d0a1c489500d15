import { isEntered } from '@quay/core/events/record';
import { unattended } from '@quay/core/policy/policy';
import { fellBack, say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { readAloud, stopReading } from '../../platform/browser';
import { Card, Tag } from '../../ui/board';
import { useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { Plan } from '../../ui/drawn/plan';
import { useRoom } from '../../ui/room';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { AgreedPlanCard } from '../trip/AgreedPlan';
import { Page } from './Page';
import { useRenting } from './RenterFace';

/** The briefing at home: a point at a time, with the place of the boat it is about, read aloud on request. */
export const BriefPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const { width } = useRoom();
  const { view, pack, record, briefing, language } = useRenting();
  const points = briefing.toBrief.map(({ point }) => point);
  const money = useMoney(pack.prices.currency);
  const [at, setAt] = useState(() =>
    Math.max(
      0,
      points.findIndex(({ id }) => !isEntered(record, ['home', id])),
    ),
  );
  const [reading, setReading] = useState(false);
  const [noVoice, setNoVoice] = useState(false);
  const [heard, setHeard] = useState(false);
  useEffect(() => stopReading, []);
  const point = points[at];
  const alone = unattended(pack.hire.handover, 'out');
  if (!point) {
    return (
      <Page
        title={t('r.briefing')}
        footer={
          alone ? (
            <Button mode="contained" label={t('r.aloneGo')} onPress={() => router.push('/r/alone')} testID="read-all" />
          ) : (
            <Button mode="contained" label={t('r.openHome')} onPress={() => router.push('/r')} testID="read-all" />
          )
        }
      >
        <Body>{t('r.last')}</Body>
        {pack.waters ? <AgreedPlanCard record={record} zone={pack.base.zone} onChart={() => router.push('/r/chart')} asks /> : null}
      </Page>
    );
  }
  const station = pack.book.stations.find(({ id }) => id === point.station);
  const price = pack.prices.prices.find(({ code }) => code === point.price);
  const foreign = fellBack(point.say, language);
  const text = [point.say, point.caution].flatMap((one) => (one ? [say(one, language)] : [])).join(' ');
  const listen = () => {
    if (reading) {
      stopReading();
      setReading(false);
      return;
    }
    const speaking = readAloud(text, foreign ? 'en' : language, () => setReading(false));
    setReading(speaking);
    setNoVoice(!speaking);
    setHeard(speaking);
  };
  const next = async () => {
    stopReading();
    setReading(false);
    await view.add([{ kind: 'pointRead', point: point.id, how: heard ? 'heard' : 'read', language: foreign ? 'en' : language }]);
    setHeard(false);
    setAt(at + 1);
  };
  return (
    <Page
      title={t('r.briefing')}
      footer={
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <Button
            mode="outlined"
            label={t(reading ? 'r.stopListening' : 'r.listen')}
            onPress={listen}
            testID="listen"
            style={{ flex: 1 }}
          />
          <Button mode="contained" label={t('r.readOn')} onPress={() => void next()} testID="read-on" style={{ flex: 1.4 }} />
        </View>
      }
    >
      <View style={{ marginHorizontal: -12, marginTop: -12 }}>
        <Plan
          plan={pack.book.plan}
          stations={pack.book.stations}
          stops={station ? [{ id: station.id, name: say(station.name, language), label: '!', state: 'now' }] : []}
          width={Math.min(width, 640)}
          height={130}
        />
      </View>
      <Card style={{ gap: 10 }}>
        <Small>{[`${at + 1} / ${points.length}`, station ? say(station.name, language) : ''].filter(Boolean).join(' · ')}</Small>
        {point.weight === 'must' ? (
          <Tag kind="ask" size={16}>
            {t('r.must')}
          </Tag>
        ) : null}
        <SlabBold size={24} heading={2}>
          {say(point.say, language)}
        </SlabBold>
        {foreign ? <Tag kind="ask">{t('r.inEnglish')}</Tag> : null}
        {point.show ? <Body>{say(point.show, language)}</Body> : null}
        {point.mistake ? <Body>{`${t('r.mistake')}: ${say(point.mistake, language)}`}</Body> : null}
        {point.caution ? (
          <Tag kind="stop" size={17}>
            {say(point.caution, language)}
          </Tag>
        ) : null}
        {price ? (
          <Tag kind="ask" size={16}>
            {t('r.costs', { name: say(price.name, language), price: money(price.amountMinor) })}
          </Tag>
        ) : null}
        {noVoice ? <Bold live>{t('r.noVoice')}</Bold> : null}
      </Card>
      {at > 0 ? (
        <Button mode="outlined" label={t('common.back')} onPress={() => setAt(at - 1)} style={{ alignSelf: 'flex-start' }} />
      ) : null}
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};
