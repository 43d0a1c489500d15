import { previewSwap } from '@quay/contract/change';
import { say, type Wording } from '@quay/core/words/words';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { measures } from '../../../ui/units';
import { Body, Bold } from '../../../ui/words';

/** So many of each kind of difference are shown before somebody asks for all of them. */
const AT_FIRST = 5;

/** What another boat would change: what stays explained, what is begun anew, where the two boats differ. */
export const SwapCard = ({
  hireId,
  boat,
  from,
  keepTold,
  onKeepTold,
}: {
  hireId: string;
  /** The boat that is wanted. */
  boat: string;
  /** Name of the one the hire has. */
  from: string;
  keepTold: boolean;
  onKeepTold: (keep: boolean) => void;
}) => {
  const { t, i18n } = useTranslation();
  const errorWords = useErrorWords();
  const [all, setAll] = useState(false);
  const { data, error } = useQuery({
    queryKey: ['swap', hireId, boat],
    queryFn: () => call(previewSwap, { params: { hireId }, query: { boat } }),
  });
  if (error) return <Notice kind="ask" title={error instanceof NoAnswer ? t('change.offline') : errorWords(error)} />;
  if (!data) return <Body tone="soft">{t('common.loading')}</Body>;
  const { told, behind, differs } = data;
  const inWords = (words: Wording) => say(words, i18n.language);
  const things = (rows: readonly { name: Wording; count: number }[]) => rows.map(({ name, count }) => `${count} × ${inWords(name)}`);
  const facts = [
    ...(differs.kind
      ? [t('change.swapKind', { now: t(`fleet.option.${differs.kind.now}`), then: t(`fleet.option.${differs.kind.then}`) })]
      : []),
    ...(differs.people ? [t('change.swapPeople', differs.people)] : []),
    ...(differs.loadKg?.now !== undefined && differs.loadKg.then !== undefined
      ? [t('change.swapLoad', { now: measures().mass(differs.loadKg.now), then: measures().mass(differs.loadKg.then) })]
      : []),
  ];
  const lists = [
    { title: t('change.swapPoints', { count: differs.points.length }), rows: differs.points.map(inWords) },
    { title: t('change.swapDrills', { count: differs.drills.length }), rows: differs.drills.map(inWords) },
    { title: t('change.swapHas', { boat: data.boat.name }), rows: things(differs.more) },
    { title: t('change.swapHasNot', { boat: data.boat.name }), rows: things(differs.fewer) },
  ].filter(({ rows }) => rows.length > 0);
  return (
    <Notice kind="ask" title={`${t('change.swap')}: ${data.boat.name}`}>
      <View style={{ gap: 6 }} testID="swap">
        <Body>{behind > 0 ? t('change.swapBehind', { boat: from, other: data.boat.name }) : t('change.swapFresh')}</Body>
        {told.stay > 0 ? (
          <CheckboxRow
            label={`${t('change.keepTold')}: ${t('change.swapTold', { count: told.stay })}`}
            on={keepTold}
            onChange={onKeepTold}
            testID="keep-told"
          />
        ) : null}
        {told.again > 0 ? <Body>{t('change.swapAgain', { count: told.again })}</Body> : null}
        {facts.map((fact) => (
          <Body key={fact}>{fact}</Body>
        ))}
        {lists.map(({ title, rows }) => (
          <View key={title}>
            <Bold size={16}>{title}</Bold>
            {(all ? rows : rows.slice(0, AT_FIRST)).map((row, i) => (
              <Body key={`${i}/${row}`} size={15}>{`· ${row}`}</Body>
            ))}
          </View>
        ))}
        {!all && lists.some(({ rows }) => rows.length > AT_FIRST) ? (
          <Button
            mode="outlined"
            label={t('change.swapMore')}
            onPress={() => setAll(true)}
            style={{ alignSelf: 'flex-start' }}
            testID="swap-all"
          />
        ) : null}
      </View>
    </Notice>
  );
};
