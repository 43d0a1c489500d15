import { applies } from '@quay/core/briefing/compose';
import { say, type Wording } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { Body, SlabBold, Small } from '../../ui/words';
import { Page } from './Page';
import { useRenting } from './RenterFace';
import { quayPhone } from '@quay/core/fleet/base';
import type { Condition } from '@quay/core/fleet/condition';

type Step = { id: string; say: Wording; when?: Condition | undefined; caution?: Wording | undefined };

/** Coming home to this base: the way in, the card, and the rules of the water. */
export const ReturnPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const now = useNow();
  const { pack, facts, language } = useRenting();
  const { base, book, waters, hire } = pack;
  const phone = quayPhone(pack);
  const list = (title: string, steps: readonly Step[], numbered: boolean) => {
    const here = steps.filter(({ when }) => applies(when, facts, book.conditions));
    return here.length === 0 ? null : (
      <Card style={{ gap: 8 }}>
        <SlabBold size={21} heading={2}>
          {title}
        </SlabBold>
        {here.map((step, i) => (
          <View key={step.id} style={{ flexDirection: 'row', gap: 10 }}>
            <SlabBold size={20} tone="primaryText">
              {numbered ? `${i + 1}` : '–'}
            </SlabBold>
            <View style={{ flex: 1, gap: 4 }}>
              <Body>{say(step.say, language)}</Body>
              {step.caution ? <Tag kind="stop">{say(step.caution, language)}</Tag> : null}
            </View>
          </View>
        ))}
      </Card>
    );
  };
  return (
    <Page
      title={t('r.home')}
      footer={<Button mode="contained" label={t('r.docking')} onPress={() => router.push('/r/docking')} testID="open-docking" />}
    >
      <Card>
        <Small>{`${t('r.due')} · ${base.name}`}</Small>
        <SlabBold size={34}>{whenOf(hire.to, base.zone, now, language)}</SlabBold>
        {phone ? <Body>{`${base.name}: ${phone}`}</Body> : null}
        {base.radio ? <Body>{t('r.radio', { channel: base.radio })}</Body> : null}
      </Card>
      {list(t('r.wayIn'), base.wayIn, true)}
      {list(t('r.home'), base.returnCard, true)}
      {list(t('r.waters'), waters?.says ?? [], false)}
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};
