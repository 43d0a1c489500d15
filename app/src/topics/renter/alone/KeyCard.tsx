import { keyCode, type KeyReply } from '@quay/contract/keySafe';
import { say } from '@quay/core/words/words';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { dial } from '../../../platform/browser';
import { Card, Notice, Tag } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { whenOf } from '../../../ui/format';
import { Button } from '../../../ui/controls/button';
import { Body, SlabBold, Small } from '../../../ui/words';
import { useRenting } from '../RenterFace';
import { quayPhone } from '@quay/core/fleet/base';

/** How long the code stands on the screen. */
const SHOWN_MS = 120_000;

type Answer = KeyReply | { is: 'silent' | 'noSignal' };

/**
 * The code of the key safe: asked for each time, held in memory alone, and gone with the page. Nothing of it is written
 * anywhere, so that a lost phone opens no safe.
 */
export const useKey = (hireId: string) => {
  const [answer, setAnswer] = useState<Answer>();
  const [busy, setBusy] = useState(false);
  const open = answer?.is === 'open';
  useEffect(() => {
    if (!open) return;
    const timer = setTimeout(() => setAnswer(undefined), SHOWN_MS);
    return () => clearTimeout(timer);
  }, [open]);
  const ask = async () => {
    setBusy(true);
    try {
      setAnswer(await call(keyCode, { params: { hireId } }));
    } catch (error) {
      if (error instanceof NoAnswer) setAnswer({ is: 'noSignal' });
      else if (error instanceof Refused && error.problem.code === 'safeSilent') setAnswer({ is: 'silent' });
      else throw error;
    } finally {
      setBusy(false);
    }
  };
  return { answer, busy, ask, hide: () => setAnswer(undefined) };
};

/** @param first it is what comes next: the one thing to press asks for the code, and this card need not */
export const KeyCard = ({ keyInHand, first }: { keyInHand: ReturnType<typeof useKey>; first: boolean }) => {
  const { t } = useTranslation();
  const now = useNow();
  const { pack, language } = useRenting();
  const { base } = pack;
  const { answer, busy, ask, hide } = keyInHand;
  const phone = quayPhone(pack);
  const saying = (no: Exclude<Answer, { is: 'open' }>): string => {
    if (no.is === 'tooEarly') return t('alone.tooEarly', { when: whenOf(no.opensAt, base.zone, now, language) });
    return no.is === 'briefFirst' ? t('alone.briefFirst', { count: no.left }) : t(`alone.${no.is}`);
  };
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={21} heading={2}>
        {t('alone.step.key')}
      </SlabBold>
      {base.keySafe ? <Body>{say(base.keySafe.where, language)}</Body> : null}
      {answer?.is === 'open' ? (
        <View style={{ gap: 6 }}>
          <Small>{t('alone.code')}</Small>
          <View testID="key-code">
            <SlabBold size={52} live style={{ letterSpacing: 4 }}>
              {answer.code}
            </SlabBold>
          </View>
          {answer.simulated ? <Tag kind="ask">{t('alone.simulated')}</Tag> : null}
          <Small>{t('alone.codeKept')}</Small>
        </View>
      ) : null}
      {answer && answer.is !== 'open' ? <Notice kind={answer.is === 'boatHeld' ? 'stop' : 'ask'} title={saying(answer)} /> : null}
      <View style={{ flexDirection: 'row', gap: 10 }}>
        {answer?.is === 'open' ? (
          <Button mode="outlined" label={t('alone.hideCode')} onPress={hide} style={{ flex: 1 }} testID="hide-code" />
        ) : first ? null : (
          <Button
            mode="outlined"
            label={t('alone.showCode')}
            disabled={busy}
            onPress={() => void ask()}
            style={{ flex: 1 }}
            testID="show-code"
          />
        )}
        {phone === undefined ? null : (
          <Button
            mode="outlined"
            label={t('alone.ring', { name: base.name })}
            onPress={() => dial(phone)}
            style={{ flex: 1 }}
            testID="ring"
          />
        )}
      </View>
    </Card>
  );
};
