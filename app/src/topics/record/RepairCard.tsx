import { getRepair, setAside } from '@quay/contract/repair';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { Body, Bold, Small } from '../../ui/words';

/** What makes a record unreadable, and the way to set it aside: a manager’s, who says why. Nothing is deleted by it. */
export const RepairCard = ({ hireId, onMended }: { hireId: string; onMended: () => void }) => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const client = useQueryClient();
  const [why, setWhy] = useState('');
  const found = useQuery({ queryKey: ['repair', hireId], queryFn: () => call(getRepair, { params: { hireId } }) });
  const aside = useMutation({
    mutationFn: (event: string) => call(setAside, { params: { hireId }, body: { event, why: why.trim() } }),
    onSuccess: async (now) => {
      client.setQueryData(['repair', hireId], now);
      await client.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'repair' });
      if (!now.broken) onMended();
    },
  });
  if (found.error) return <Notice kind="stop" title={said(found.error)} />;
  if (!found.data) return <Body>{t('common.loading')}</Body>;
  const { broken, suspects } = found.data;
  if (!broken) return null;
  return (
    <Card style={{ gap: 10 }}>
      <Bold>{t('repair.title')}</Bold>
      <Small>{broken.why}</Small>
      {suspects.length === 0 ? <Body>{t('repair.none')}</Body> : <Body>{t('repair.how')}</Body>}
      {suspects.length > 0 ? <TextField label={t('repair.why')} value={why} onChange={setWhy} testID="aside-why" /> : null}
      {suspects.map(({ id, kind, at, actor }) => (
        <View key={id} style={{ gap: 6 }}>
          <Bold>{`${kind} · ${at}`}</Bold>
          <Small>{t('repair.by', { who: actor.id, role: t(`repair.role.${actor.role}`) })}</Small>
          <Button
            mode="outlined"
            label={t('repair.aside')}
            onPress={() => aside.mutate(id)}
            disabled={why.trim() === '' || aside.isPending}
            testID={`aside-${id}`}
          />
        </View>
      ))}
      {aside.error ? <Notice kind="stop" title={said(aside.error)} /> : null}
    </Card>
  );
};
