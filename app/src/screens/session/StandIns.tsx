import { listStandIns, setStandIn, type StandIn } from '@quay/contract/outside';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { call } from '../../data/api';
import { Card, Notice } from '../../ui/board';
import { Toggle } from '../../ui/toggle';
import { Bold, Small } from '../../ui/words';

/** What is only simulated in a demonstration, each of which can be made to fail. */
export const StandIns = () => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const found = useQuery({ queryKey: ['standIns'], queryFn: () => call(listStandIns) });
  const set = useMutation({
    mutationFn: ({ name, fails }: StandIn) => call(setStandIn, { params: { name }, body: { fails } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['standIns'] }),
  });
  const rows = found.data?.standIns ?? [];
  if (rows.length === 0) return null;
  return (
    <Card style={{ gap: 4 }}>
      <Bold>{t('standIn.title')}</Bold>
      <Small>{t('standIn.why')}</Small>
      {rows.map(({ name, fails }) => (
        <Toggle
          key={name}
          label={t('standIn.fails', { name: t(`standIn.name.${name}`) })}
          on={fails}
          onChange={(on) => set.mutate({ name, fails: on })}
          testID={`fails-${name}`}
        />
      ))}
      {set.error ? <Notice kind="stop" title={set.error.message} /> : null}
    </Card>
  );
};
