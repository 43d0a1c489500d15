import { getLearnt } from '@quay/contract/fleet';
import type { Gauge } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { FILLS_NEEDED } from '@quay/core/fuel/learn';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { call } from '../../local/api';
import { Card, Notice } from '../../ui/board';
import { figure } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Bold, Small } from '../../ui/words';

/** What a boat's own metered fills teach about her gauges: seen, taken over into her book, and taken out of it again. */
export const LearntSheet = ({
  boatId,
  gauges,
  onSet,
  onClose,
}: {
  boatId: string;
  gauges: readonly Gauge[];
  onSet: (gauge: Gauge, errors: Gauge['errors']) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const found = useQuery({ queryKey: ['learnt', boatId], queryFn: () => call(getLearnt, { params: { boatId } }) });
  const percent = (share: number) => figure(share * 100);
  const rows = gauges.filter(({ tank, reads }) => tank !== undefined && reads !== 'totaliser');
  return (
    <ModalSheet title={t('learnt.title')} closeLabel={t('common.close')} onClose={onClose}>
      <Body>{t('learnt.why')}</Body>
      {found.error ? <Notice kind="stop" title={t('fleet.offline')} /> : null}
      {found.data
        ? rows.map((gauge) => {
            const learnt = found.data.gauges.find((one) => one.gauge === gauge.id);
            const taken = gauge.errors;
            return (
              <Card key={gauge.id} style={{ gap: 6 }}>
                <Bold>{say(gauge.name, 'en')}</Bold>
                <Small>
                  {learnt?.errors
                    ? t('learnt.says', {
                        count: learnt.fills,
                        sd: percent(learnt.errors.sd),
                        bias: percent(Math.abs(learnt.errors.bias)),
                        way: t(learnt.errors.bias < 0 ? 'learnt.low' : 'learnt.high'),
                      })
                    : t('learnt.few', { count: learnt?.fills ?? 0, of: FILLS_NEEDED })}
                </Small>
                {taken ? <Small>{t('learnt.taken', { sd: percent(taken.sd), count: taken.fills })}</Small> : null}
                {learnt?.errors && learnt.fills !== taken?.fills ? (
                  <Button
                    mode="outlined"
                    label={t('learnt.take')}
                    onPress={() => onSet(gauge, learnt.errors ?? undefined)}
                    style={{ alignSelf: 'flex-start' }}
                    testID={`learn-${gauge.id}`}
                  />
                ) : null}
                {taken ? (
                  <Button
                    mode="outlined"
                    label={t('learnt.drop')}
                    onPress={() => onSet(gauge, undefined)}
                    style={{ alignSelf: 'flex-start' }}
                    testID={`unlearn-${gauge.id}`}
                  />
                ) : null}
              </Card>
            );
          })
        : null}
    </ModalSheet>
  );
};
