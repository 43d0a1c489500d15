import { type BoatShelf, changeBoatBook, getBoatBook } from '@quay/contract/fleet';
import type { BoatBook } from '@quay/core/fleet/book';
import type { Point } from '@quay/core/fleet/telling';
import { LANGUAGES, say } from '@quay/core/fleet/words';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { call, NoAnswer, Refused } from '../../data/api';
import { Card, Notice, Tag } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Field } from '../../ui/field';
import { whenOf } from '../../ui/format';
import { Alt, Row } from '../../ui/press';
import { Plan } from '../../ui/plan';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/snack';
import { Body, SlabBold, Small } from '../../ui/words';
import { addPoint, changePoint, dropPoint, inheritPoint, type PointEdit } from './edit';
import { PointSheet } from './PointSheet';
import { VersionsSheet } from './VersionsSheet';

type Open = { what: 'point'; point: Point } | { what: 'new'; station: string } | { what: 'versions' };

/** Whether a point comes from below, is changed for this boat, or is her own; those of base and waters lie outside her books. */
const originOf = (shelf: BoatShelf, id: string): { is: 'class' | 'changed' | 'own' | 'ground'; name: string } => {
  const origin = shelf.origins[id];
  if (!origin) return { is: 'ground', name: '' };
  if (origin.book !== shelf.boatBook.id) return { is: 'class', name: shelf.classNames[origin.book] ?? origin.book };
  return { is: origin.is === 'changed' ? 'changed' : 'own', name: '' };
};

/** A boat's book: what she says by herself, and what comes from her class, plainly told apart. */
export const BoatBookPage = ({ boatId }: { boatId: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const client = useQueryClient();
  const now = useNow();
  const { width } = useWindowDimensions();
  const [query, setQuery] = useState('');
  const [open, setOpen] = useState<Open>();
  const key = ['boatBook', boatId];
  const shelf = useQuery({ queryKey: key, queryFn: () => call(getBoatBook, { params: { boatId } }) });
  const change = useMutation({
    mutationFn: ({ boatBook, version }: { boatBook: BoatBook; version: number; said: string }) =>
      call(changeBoatBook, { params: { boatId }, body: { boatBook }, headers: { 'if-match': `"${version}"` } }),
    onSuccess: (next, { said }) => {
      const before = shelf.data;
      client.setQueryData(key, next);
      setOpen(undefined);
      snack({
        text: said,
        ...(before ? { undo: () => change.mutate({ boatBook: before.boatBook, version: next.version, said: t('walk.undone') }) } : {}),
      });
    },
  });
  const { data } = shelf;
  if (!data) {
    return (
      <Screen title={t('fleet.title')} onBack={() => router.push('/fleet')} measure={860}>
        <View style={{ padding: 12 }}>
          {shelf.error ? (
            <Notice kind="stop" title={shelf.error instanceof NoAnswer ? t('fleet.offline') : shelf.error.message} />
          ) : (
            <Body>{t('common.loading')}</Body>
          )}
        </View>
      </Screen>
    );
  }
  const { boatBook, laid, version } = data;
  const put = (next: BoatBook) => change.mutate({ boatBook: next, version, said: t('fleet.kept', { n: version + 1 }) });
  const wanted = query.trim().toLowerCase();
  const shown = laid.points.filter(
    (point) => wanted === '' || Object.values(point.say).some((text) => text.toLowerCase().includes(wanted)),
  );
  const measure = Math.min(width, 860);
  const fault =
    change.error instanceof Refused
      ? [change.error.problem.title, change.error.problem.detail ?? ''].filter(Boolean).join('\n')
      : change.error
        ? t('fleet.offline')
        : undefined;
  return (
    <Screen
      title={boatBook.name}
      sub={`${boatBook.hullNumber} · ${t('fleet.version', { n: version })}`}
      onBack={() => router.push('/fleet')}
      measure={860}
      right={<Alt label={t('fleet.versions')} onPress={() => setOpen({ what: 'versions' })} testID="versions" />}
    >
      <Plan
        plan={laid.plan}
        stations={laid.stations}
        stops={laid.stations.map((station, i) => ({ id: station.id, name: station.name.en, label: String(i + 1), state: 'loose' }))}
        width={measure}
        height={150}
      />
      <View style={{ padding: 12, gap: 12 }}>
        <Field label={t('fleet.find')} value={query} onChange={setQuery} testID="find-point" />
        {laid.stations.map((station, i) => {
          const here = shown.filter((point) => point.station === station.id);
          if (here.length === 0 && wanted !== '') return null;
          return (
            <Card key={station.id} style={{ gap: 2 }}>
              <SlabBold size={21} heading={2}>{`${i + 1}  ${station.name.en}`}</SlabBold>
              {here.map((point) => (
                <PointRow key={point.id} shelf={data} point={point} onOpen={() => setOpen({ what: 'point', point })} />
              ))}
              <Alt
                label={t('fleet.add')}
                onPress={() => setOpen({ what: 'new', station: station.id })}
                testID={`add-${station.id}`}
                style={{ alignSelf: 'flex-start' }}
              />
            </Card>
          );
        })}
      </View>
      {open?.what === 'point' ? (
        <PointSheet
          point={open.point}
          origin={originOf(data, open.point.id)}
          fault={fault}
          busy={change.isPending}
          onClose={() => setOpen(undefined)}
          onKeep={(edit: PointEdit) => put(changePoint(boatBook, open.point, edit))}
          onDrop={() => put(dropPoint(boatBook, open.point.id, originOf(data, open.point.id).is !== 'own'))}
          onInherit={() => put(inheritPoint(boatBook, open.point.id))}
        />
      ) : null}
      {open?.what === 'new' ? (
        <PointSheet
          origin={{ is: 'own', name: '' }}
          fault={fault}
          busy={change.isPending}
          onClose={() => setOpen(undefined)}
          onKeep={(edit: PointEdit) =>
            put(
              addPoint(
                boatBook,
                open.station,
                edit,
                laid.points.map(({ id }) => id),
              ).book,
            )
          }
        />
      ) : null}
      {open?.what === 'versions' ? (
        <VersionsSheet boatId={boatId} shelf={data} when={(at) => whenOf(at, 'UTC', now, 'en')} onClose={() => setOpen(undefined)} />
      ) : null}
    </Screen>
  );
};

const PointRow = ({ shelf, point, onOpen }: { shelf: BoatShelf; point: Point; onOpen: () => void }) => {
  const { t } = useTranslation();
  const origin = originOf(shelf, point.id);
  const lacks = LANGUAGES.filter((language) => point.say[language] === undefined);
  return (
    <Row label={say(point.say, 'en')} onPress={onOpen} testID={`edit-${point.id}`} style={{ paddingVertical: 9, gap: 4 }}>
      <Body>{point.say.en}</Body>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        <Tag kind={point.weight === 'must' ? 'ok' : 'calm'}>{t(`fleet.weight.${point.weight}`)}</Tag>
        <Small>{t('brief.seconds', { n: point.seconds })}</Small>
        <Tag kind={origin.is === 'changed' || origin.is === 'own' ? 'ask' : 'calm'}>
          {t(`fleet.origin.${origin.is}`, { name: origin.name })}
        </Tag>
        {lacks.length > 0 ? <Tag kind="ask">{t('fleet.lacks', { languages: lacks.join(', ') })}</Tag> : null}
      </View>
    </Row>
  );
};
