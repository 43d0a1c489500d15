import { COMPUTED_POLICIES, type PolicyText, type PolicyTexts } from '@quay/core/fleet/policyTexts';
import { POLICIES, type PolicyTopic } from '@quay/core/policy/policy';
import { say } from '@quay/core/words/words';
import { memo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Choices } from '../../../ui/controls/choices';
import { Notice } from '../../../ui/board';
import { Body, Bold, Small } from '../../../ui/words';

/** So many texts are named; that there are more is said. */
const AT_MOST = 4;

/** A matter on which practitioners disagree, with its options; what another one would change is said before it is kept. */
export const PolicyRow = memo(function PolicyRow({
  topic,
  held,
  chosen,
  texts,
  onChoose,
}: {
  topic: PolicyTopic;
  /** What is kept now. */
  held: string;
  chosen: string;
  texts: PolicyTexts[PolicyTopic];
  onChoose: (topic: PolicyTopic, option: string) => void;
}) {
  const { t, i18n } = useTranslation();
  const under = (option: string): readonly PolicyText[] => texts?.[option] ?? [];
  const without = (rows: readonly PolicyText[], other: readonly PolicyText[]) =>
    rows.filter((row) => !other.some((one) => one.say.en === row.say.en));
  const [more, less] = [without(under(chosen), under(held)), without(under(held), under(chosen))];
  const computed = COMPUTED_POLICIES.includes(topic);
  const list = (title: string, rows: readonly PolicyText[]) =>
    rows.length === 0 ? null : (
      <View>
        <Bold size={15}>{title}</Bold>
        {rows.slice(0, AT_MOST).map((row) => (
          <Small key={row.say.en}>{`· ${say(row.say, i18n.language)} (${row.boats.join(', ')})`}</Small>
        ))}
        {rows.length > AT_MOST ? <Small>{t('operator.moreTexts', { count: rows.length - AT_MOST })}</Small> : null}
      </View>
    );
  return (
    <View style={{ gap: 6, paddingVertical: 6 }}>
      <Bold>{t(`fleet.field.${topic}`)}</Bold>
      <Choices
        label={t(`fleet.field.${topic}`)}
        options={POLICIES[topic]}
        labelOf={(option) => t(`fleet.policy.${topic}.${option}` as 'fleet.policy.trees.yes')}
        value={POLICIES[topic].find((option) => option === chosen)}
        onChange={(option) => onChoose(topic, option)}
        testID={`policy-${topic}`}
      />
      {chosen === held ? null : (
        <Notice kind="ask" title={t('operator.changes')}>
          {computed ? <Body>{t(`operator.computes.${topic as 'night'}`)}</Body> : null}
          {list(t('operator.saidThen'), more)}
          {list(t('operator.saidNoMore'), less)}
          {!computed && more.length + less.length === 0 ? <Body>{t('operator.changesNothing')}</Body> : null}
        </Notice>
      )}
    </View>
  );
});
