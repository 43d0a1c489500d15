import { applies } from '@quay/core/briefing/compose';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useSnack } from '../../../ui/controls/snack';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { Small } from '../../../ui/words';
import { Page } from '../Page';
import { useRenting } from '../RenterFace';

/** A round of the day, ticked item by item; what was left is kept as well as what was done. */
export const RoundPage = ({ roundId }: { roundId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { view, pack, facts, language } = useRenting();
  const round = pack.book.rounds.find(({ id }) => id === roundId);
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const items = round?.items.filter(({ when }) => applies(when, facts, pack.book.conditions)) ?? [];
  const left = items.filter(({ id }) => !done.has(id));
  const keep = async () => {
    const added = await view.add([{ kind: 'roundDone', round: roundId, done: [...done], left: left.map(({ id }) => id) }]);
    snack({ text: t('r.roundKept'), undo: () => void view.undo(added) });
    router.push('/r');
  };
  return (
    <Page
      title={round ? say(round.name, language) : t('r.nothing')}
      footer={
        <Button
          mode="contained"
          label={t('r.roundKeep')}
          {...(left.length > 0 ? { hint: t('r.roundLeft', { count: left.length }) } : {})}
          disabled={items.length === 0}
          onPress={() => void keep()}
          testID="keep-round"
        />
      }
    >
      <Card style={{ gap: 4 }}>
        {items.map((item) => (
          <View key={item.id} style={{ gap: 2 }}>
            <CheckboxRow
              label={say(item.say, language)}
              on={done.has(item.id)}
              testID={`item-${item.id}`}
              onChange={(on) => {
                const next = new Set(done);
                if (on) next.add(item.id);
                else next.delete(item.id);
                setDone(next);
              }}
            />
            {item.lookout ? <Tag kind="ok">{t('r.lookoutSays')}</Tag> : null}
            {item.caution ? <Tag kind="stop">{say(item.caution, language)}</Tag> : null}
          </View>
        ))}
      </Card>
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};
