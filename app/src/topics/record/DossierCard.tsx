import { getDossier } from '@quay/contract/dossier';
import type { Edition } from '@quay/core/dossier/dossier';
import { spoken } from '@quay/core/events/seal';
import { useMutation } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { callForFile, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import type { HireView } from '../../local/hire';
import { saveFile } from '../../platform/browser';
import { Card, Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Bold, Small } from '../../ui/words';

/** The record to take away: a ZIP that can be read and checked without this program. */
export const DossierCard = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const { hire, seals } = view.pack;
  const fetch = useMutation({
    mutationFn: async (edition: Edition) =>
      saveFile(await callForFile(getDossier, { params: { hireId: hire.id }, query: { edition } }), `${hire.id}-${edition}.zip`),
  });
  const key = seals.find(({ state }) => state === 'countersigned')?.key;
  return (
    <Card style={{ gap: 8 }}>
      <Bold>{t('dossier.title')}</Bold>
      <Small>{t('dossier.why')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {(['operator', 'renter'] as const).map((edition) => (
          <Button
            mode="outlined"
            key={edition}
            label={t(`dossier.${edition}`)}
            disabled={fetch.isPending}
            onPress={() => fetch.mutate(edition)}
            testID={`dossier-${edition}`}
          />
        ))}
      </View>
      {fetch.isPending ? <Small>{t('dossier.making')}</Small> : null}
      {fetch.error ? <Notice kind="stop" title={fetch.error instanceof NoAnswer ? t('dossier.offline') : errorWords(fetch.error)} /> : null}
      {key ? <Small>{t('dossier.key', { key: spoken(key) })}</Small> : null}
    </Card>
  );
};
