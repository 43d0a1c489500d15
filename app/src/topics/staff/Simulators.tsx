import { listSimulators, setSimulator, SIMULATORS, type Simulator } from '@quay/contract/simulators';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice } from '../../ui/board';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { Bold, Small } from '../../ui/words';

/** What is only simulated in a demonstration, each of which can be made to fail in its own ways. */
export const Simulators = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const client = useQueryClient();
  const found = useQuery({ queryKey: ['simulators'], queryFn: () => call(listSimulators) });
  const set = useMutation({
    mutationFn: ({ name, mode }: Simulator) => call(setSimulator, { params: { name }, body: { mode } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['simulators'] }),
  });
  const rows = found.data?.simulators ?? [];
  if (rows.length === 0) return null;
  return (
    <Card style={{ gap: 12 }}>
      <View style={{ gap: 4 }}>
        <Bold>{t('simulator.title')}</Bold>
        <Small>{t('simulator.why')}</Small>
      </View>
      {rows.map(({ name, mode }) => (
        <View key={name} style={{ gap: 6 }}>
          <Bold>{t(`simulator.name.${name}`)}</Bold>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t(`simulator.name.${name}`)}>
            {SIMULATORS[name].map((one) => (
              <ChoiceChip
                key={one}
                label={t(`simulator.mode.${one}`)}
                on={mode === one}
                tone={one === 'works' ? 'primary' : 'warning'}
                onPress={() => set.mutate({ name, mode: one })}
                testID={`${name}-${one}`}
              />
            ))}
          </View>
        </View>
      ))}
      {set.error ? <Notice kind="stop" title={said(set.error)} /> : null}
    </Card>
  );
};
