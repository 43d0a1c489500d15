import { useTranslation } from 'react-i18next';
import { copyText } from '../../platform/browser';
import { Card } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';
import { Body, SlabBold, Small } from '../../ui/words';

/** What is typed at the server; another port than the demonstration's, so that both can run. */
const COMMAND = './quay start --data FOLDER --port 4174';

/** In a demonstration: how somebody begins a quay of their own. */
export const StartYourOwn = () => {
  const { t } = useTranslation();
  const snack = useSnack();
  return (
    <Card style={{ gap: 8 }}>
      <SlabBold size={21} heading={2}>
        {t('startOwn.title')}
      </SlabBold>
      <Body>{t('startOwn.why')}</Body>
      <Body style={{ fontFamily: 'monospace', fontSize: 15 }}>{COMMAND}</Body>
      <Small>{t('startOwn.then')}</Small>
      <Button
        mode="outlined"
        label={t('startOwn.copy')}
        onPress={() => void copyText(COMMAND).then(() => snack({ text: t('startOwn.copied') }))}
        style={{ alignSelf: 'flex-start' }}
        testID="copy-start"
      />
    </Card>
  );
};
