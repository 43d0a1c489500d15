import { unusualOf } from '@quay/core/condition/round';
import { applies } from '@quay/core/briefing/compose';
import { MOST_FIGURE } from '@quay/core/events/parts';
import type { Round } from '@quay/core/fleet/points';
import { typedNumber } from '@quay/core/number/typed';
import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { Card, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { useSnack } from '../../../ui/controls/snack';
import { maybeNumber } from '../../../ui/controls/typed';
import { Small } from '../../../ui/words';
import { PhotoRow } from '../../photo/PhotoRow';
import { PhotoTaking } from '../../photo/PhotoTaking';
import { usePhoto } from '../../photo/usePhoto';
import { Page } from '../Page';
import { useRenting } from '../RenterFace';

type Item = Round['items'][number];

/** What is typed beside the items that are told in figures, under their ids. */
const figuresForm = (items: readonly Item[], bad: string) =>
  z.object(Object.fromEntries(items.filter(({ figure }) => figure).map(({ id }) => [id, maybeNumber({ from: 0, to: MOST_FIGURE }, bad)])));

/** A round of the day, ticked item by item and told in figures; what was left is kept as well as what was done. */
export const RoundPage = ({ roundId }: { roundId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { view, pack, facts, language } = useRenting();
  const { book, hire } = pack;
  const round = book.rounds.find(({ id }) => id === roundId);
  const [done, setDone] = useState<ReadonlySet<string>>(new Set());
  const [photos, setPhotos] = useState<string[]>([]);
  const photo = usePhoto(hire.id, { judge: true });
  const items = useMemo(() => round?.items.filter(({ when }) => applies(when, facts, book.conditions)) ?? [], [round, facts, book]);
  const schema = useMemo(() => figuresForm(items, t('r.roundBad', { max: MOST_FIGURE })), [items, t]);
  const form = useSchemaForm(schema, Object.fromEntries(items.map(({ id }) => [id, ''])), 'whileTyped');
  const typed = form.watch();
  const told = items.some(({ figure }) => figure);
  const left = items.filter(({ id }) => !done.has(id));
  const tick = (id: string, on: boolean) => {
    const next = new Set(done);
    if (on) next.add(id);
    else next.delete(id);
    setDone(next);
  };
  const keep = form.handleSubmit(async (read) => {
    const figures = items.flatMap(({ id }) => {
      const value = read[id];
      return value === undefined ? [] : [{ item: id, value }];
    });
    const added = await view.add([
      {
        kind: 'roundDone',
        round: roundId,
        done: [...done],
        left: left.map(({ id }) => id),
        ...(figures.length > 0 ? { figures } : {}),
        ...(photos.length > 0 ? { photos } : {}),
      },
    ]);
    snack({ text: t('r.roundKept'), undo: () => void view.undo(added) });
    router.push('/r');
  });
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
      <Card style={{ gap: 8 }}>
        {items.map((item) => (
          <View key={item.id} style={{ gap: 4 }}>
            <CheckboxRow
              label={say(item.say, language)}
              on={done.has(item.id)}
              testID={`item-${item.id}`}
              onChange={(on) => tick(item.id, on)}
            />
            {item.figure ? (
              <>
                <FormField
                  form={form}
                  name={item.id}
                  label={t(`r.roundFigure.${item.figure.unit}`)}
                  numeric
                  most={10}
                  testID={`figure-${item.id}`}
                />
                <Beyond item={item} value={typedNumber(typed[item.id] ?? '')} />
              </>
            ) : null}
            {item.lookout ? <Tag kind="ok">{t('r.lookoutSays')}</Tag> : null}
            {item.caution ? <Tag kind="stop">{say(item.caution, language)}</Tag> : null}
          </View>
        ))}
        {told ? (
          <>
            <PhotoRow
              hireId={hire.id}
              photos={photos}
              name={t('r.roundPictures')}
              label={t('r.roundPictures')}
              busy={photo.busy}
              onPick={(source) => void photo.take(source, (sha) => setPhotos((now) => [...new Set([...now, sha])]))}
              testID="round-photo"
            />
            <PhotoTaking photo={photo} />
          </>
        ) : null}
      </Card>
      <Small>{t('r.cautionFirst')}</Small>
    </Page>
  );
};

/** That a figure is beyond what is usual, as soon as it is typed. */
const Beyond = ({ item, value }: { item: Item; value: number }) => {
  const { t } = useTranslation();
  const unusual = Number.isNaN(value) ? undefined : unusualOf(item, value);
  if (!unusual) return null;
  const usual = `${unusual.usual} ${unusual.unit}`;
  return (
    <View testID={`unusual-${item.id}`}>
      <Tag kind="ask">{t(unusual.is === 'more' ? 'r.roundMore' : 'r.roundLess', { usual })}</Tag>
    </View>
  );
};
