import { changeLearnt, type Learnt } from '@quay/contract/compare';
import { USUALLY_SHOWN_FROM } from '@quay/core/condition/shownFrom';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { useMe } from '../../../local/session';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Small } from '../../../ui/words';
import { percentOf } from './percent';

/** What people made of the machine's boxes on a surface, and from which likelihood on it boxes there now; a manager takes it back. */
export const LearntHere = ({ boat, hireId, surface, learnt }: { boat: string; hireId: string; surface: string; learnt: Learnt }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const manager = useMe().data?.staff.role === 'manager';
  const change = useMutation({
    mutationFn: (what: 'forget' | 'recall') => call(changeLearnt, { params: { boatId: boat, surface }, body: { do: what } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['comparisons', hireId] }),
  });
  const { flaws, nothing, forgotten, shownFrom } = learnt;
  if (flaws + nothing + forgotten === 0) return null;
  const fault = change.error;
  return (
    <View style={{ gap: 6 }} testID="learnt">
      <Small>
        {flaws + nothing === 0
          ? t('pair.forgotten', { count: forgotten })
          : t('pair.learnt', { flaws, nothing, likely: percentOf(shownFrom), usual: percentOf(USUALLY_SHOWN_FROM) })}
      </Small>
      {fault instanceof NoAnswer ? <Notice kind="stop" title={t('pair.offline')} /> : null}
      {fault instanceof Refused ? <Notice kind="stop" title={errorWords(fault)} /> : null}
      {manager && flaws + nothing > 0 ? (
        <Button mode="outlined" label={t('pair.forget')} onPress={() => change.mutate('forget')} busy={change.isPending} testID="forget" />
      ) : null}
      {manager && forgotten > 0 ? (
        <Button mode="outlined" label={t('pair.recall')} onPress={() => change.mutate('recall')} busy={change.isPending} testID="recall" />
      ) : null}
    </View>
  );
};
