import { minutesTaken, questionsDue, understoodBy } from '@quay/core/briefing/ofHire';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../ui/board';
import { Body, Bold, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';
import { AgreedPlanCard } from '../trip/AgreedPlan';
import { Questions } from './QuestionCard';

/** At the end of the walk out: minutes taken, what is understood, what is still to be asked, and what the guide keeps. */
export const BriefingSummary = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { briefing, record, pack, language } = view;
  const taken = minutesTaken(record);
  const asked = briefing.toBrief.filter(({ point }) => point.weight === 'must' && (point.questions?.length ?? 0) > 0);
  const by = pack.operator.understandingBy;
  const understood = asked.filter(({ point }) => by.every((who) => understoodBy(record, point, who).is === 'understood'));
  const due = questionsDue(record, briefing, pack.operator, undefined);
  return (
    <View style={{ gap: 12 }}>
      <Questions view={view} due={due} />
      {pack.waters ? (
        <AgreedPlanCard record={record} zone={pack.base.zone} onChart={() => router.push(`/hire/${pack.hire.id}/chart`)} asks />
      ) : null}
      <Card style={{ gap: 4 }}>
        <Small>{t('brief.done')}</Small>
        <Bold>
          {[
            taken === undefined ? '' : t('brief.took', { took: Math.round(taken), planned: Math.round(briefing.seconds / 60) }),
            asked.length > 0 ? t('brief.understood', { n: understood.length, of: asked.length }) : '',
          ]
            .filter(Boolean)
            .join(' · ')}
        </Bold>
        {briefing.guide.length > 0 ? (
          <>
            <Small>{t('brief.toGuide', { count: briefing.guide.length })}</Small>
            {briefing.guide.slice(0, 6).map(({ point }) => (
              <Body key={point.id} size={16}>{`– ${say(point.say, language)}`}</Body>
            ))}
          </>
        ) : null}
      </Card>
    </View>
  );
};
