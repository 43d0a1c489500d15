import { wordsOf } from './BookRow';
import type { Named } from './OneField';
import { type AnyRow, BookRow } from './BookRow';
import type { Book } from '@quay/core/fleet/book';
import type { Condition } from '@quay/core/fleet/condition';
import type { Expert } from './expert/expert';
import { idOf, type RowEdit } from '@quay/core/fleet/edit';
import { rowAt } from '@quay/core/fleet/lacks/lacks';
import { pathOfText, waitingOf } from '@quay/core/words/toTranslate';
import { type Wording } from '@quay/core/words/words';
import { useLocalSearchParams } from 'expo-router';
import { type ReactNode, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Sortable, Sorted } from '../../../platform/sortable';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Plan } from '../../../ui/drawn/plan';
import { lazyScreen } from '../../../ui/lazyScreen';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Search } from '../../../ui/controls/search';
import { Sections } from '../../../ui/controls/sections';
import { useTones } from '../../../ui/theme';
import { Body, SlabBold, Small } from '../../../ui/words';
import type { BookKind } from './bookKind';
import { STARTS } from './fields/fields';
import type { FieldSpec } from './fields/fieldSpec';
import { orderWithin, saidIn } from './rowLine';
import { ConditionsOfBook } from './condition/conditionsOfBook';
import { CardTrial } from './CardTrial';
import { LacksCard } from './lacks/LacksCard';
import type { Lacking } from './lacks/lacks';
import { type RowOrigin, RowSheet } from './RowSheet';

export type Listing = {
  list: string;
  /** Fields of a row, or of one that is added. */
  fieldsOf: (row?: AnyRow) => readonly FieldSpec[];
  rows: readonly AnyRow[];
  /** Rows that are neither put in order, added, nor taken away. */
  fixed?: true;
};

/** What is done to a book; each makes a new one. */
const StationBoard = lazyScreen(
  () => import('./boards'),
  (file) => file.StationBoard,
);
const ExpertSheet = lazyScreen(
  () => import('./expert/ExpertSheet'),
  (file) => file.ExpertSheet,
);

export type Edits = {
  change: (list: string, row: AnyRow, edit: RowEdit) => void;
  /** Rows of a list changed together. */
  changeSeveral: (list: string, edits: readonly (readonly [row: AnyRow, edit: RowEdit])[]) => void;
  drop: (list: string, id: string) => void;
  inherit: (list: string, id: string) => void;
  add: (list: string, id: string, fields: RowEdit) => void;
  order: (list: string, ids: readonly string[]) => void;
};

type Open = { row: AnyRow } | { start: Readonly<Record<string, unknown>> };

const ABOUT_NAME = {
  boat: 'about',
  class: 'about',
  base: 'aboutBase',
  rules: 'aboutRules',
  waters: 'aboutWaters',
  everywhere: 'aboutEverywhere',
} as const satisfies Record<BookKind, string>;

/** Rows of stations and tanks have names; the schema of the book saw to it. */
const isNamed = (row: AnyRow): row is AnyRow & Named => typeof row.name === 'object';
const isPlaced = (row: AnyRow): row is AnyRow & Named & { at: [number, number] } => isNamed(row) && Array.isArray(row.at);

/** Width of the column of a book's parts on a desk, px. */
const PARTS = 228;

/** A book, list by list: rows put in order by dragging, opened to be changed, with where each of them comes from. */
export const BookEditor = ({
  kind,
  kept,
  title,
  sub,
  right,
  onBack,
  plan,
  bookKind,
  listings,
  originOf,
  fault,
  busy,
  edits,
  toTranslate,
  onRight,
  lacking,
  trial,
  expert,
  children,
}: {
  kind: BookKind;
  /** How often something was kept: what was open is closed then. */
  kept: number;
  title: string;
  sub: string;
  right?: ReactNode;
  onBack: () => void;
  plan: Book['plan'] | undefined;
  bookKind?: Book['kind'] | undefined;
  listings: readonly Listing[];
  originOf: (list: string, id: string) => RowOrigin;
  fault: string | undefined;
  busy: boolean;
  edits: Edits;
  /** By path of a text, languages in which it is older than in another. */
  toTranslate: Readonly<Record<string, readonly string[]>>;
  /** A text is right as it is in the languages that wait. */
  onRight: (path: string) => void;
  /** What the book lacks; nothing where it is not looked at as a whole. */
  lacking?: Lacking | undefined;
  /** Tries a drill as it is written, beside its form. */
  trial?: ((drill: RowEdit) => ReactNode) | undefined;
  /** The whole as its file is. */
  expert: Expert;
  children?: ReactNode;
}) => {
  const { t } = useTranslation();
  const { width, wide } = useRoom();
  const tones = useTones();
  // A part can be led to from elsewhere.
  const { part: led } = useLocalSearchParams<{ part?: string }>();
  const [chosen, setChosen] = useState((listings.find((one) => one.list === led) ?? listings[0]!).list);
  const [query, setQuery] = useState('');
  const [open, setOpen] = useState<Open>();
  const [asJson, setAsJson] = useState(false);
  // What was kept is seen in the list.
  useEffect(() => {
    setOpen(undefined);
    setAsJson(false);
  }, [kept]);
  const listName = (name: string) => t(`fleet.list.${name === 'about' ? ABOUT_NAME[kind] : (name as 'points')}`);
  const listing = listings.find(({ list }) => list === chosen) ?? listings[0]!;
  const { list, fieldsOf, rows, fixed } = listing;
  const rowsOf = (name: string) => listings.find((one) => one.list === name)?.rows ?? [];
  const stations = rowsOf('stations').filter(isPlaced);
  const grouped = stations.length > 0 && fieldsOf().some((spec) => spec.is === 'station' && !spec.optional);
  const wanted = query.trim().toLowerCase();
  const shown = rows.filter(
    (row) =>
      wanted === '' || Object.values(wordsOf(row) ?? {}).some((text) => text.toLowerCase().includes(wanted)) || row.id.includes(wanted),
  );
  const groups = grouped
    ? stations.map((station, i) => ({
        id: station.id,
        name: `${i + 1}  ${station.name.en}`,
        rows: shown.filter((row) => row.station === station.id),
      }))
    : [{ id: '', name: listName(list), rows: shown }];
  const order = (group: readonly AnyRow[], ids: readonly string[]) => edits.order(list, orderWithin(rows, group, ids));
  const close = () => setOpen(undefined);
  /** Opens the place that a path names: its part of the book, and the row where it is hers to change. */
  const openAt = (path: string) => {
    const at = rowAt(path);
    const place = listings.find((one) => one.list === at.list) ?? listings.find((one) => one.list === 'about')!;
    setChosen(place.list);
    setQuery('');
    const row = place.rows.find(({ id }) => id === (place.list === 'about' ? at.list : at.id));
    if (row) setOpen({ row });
  };
  const opened = open && 'row' in open ? rows.find(({ id }) => id === open.row.id) : undefined;
  const drawn = (room: number) =>
    plan && list === 'stations' && stations.length > 0 ? (
      <StationBoard
        plan={plan}
        stations={stations as Book['stations']}
        width={room}
        busy={busy}
        onKeep={(moved) =>
          edits.changeSeveral(
            'stations',
            rows.flatMap((row) => {
              const at = moved.get(row.id);
              return at ? [[row, { at }] as const] : [];
            }),
          )
        }
        onAdd={(at) => setOpen({ start: { at } })}
      />
    ) : plan ? (
      <Plan
        plan={plan}
        stations={stations as Book['stations']}
        stops={stations.map((station, i) => ({ id: station.id, name: station.name.en, label: String(i + 1), state: 'open' }))}
        width={room}
        height={150}
      />
    ) : null;
  const parts = (
    <Sections
      label={title}
      sections={listings.map((one) => ({ key: one.list, name: listName(one.list), ...(one.fixed ? {} : { count: one.rows.length }) }))}
      open={list}
      onOpen={(next) => {
        setChosen(next);
        setQuery('');
      }}
      column={wide}
    />
  );
  const part = (
    <>
      {children}
      {fault && !open && !asJson ? <Notice kind="stop" title={fault} /> : null}
      {lacking ? (
        <LacksCard
          lacks={lacking.now}
          listName={(path) => listName(listings.some((one) => one.list === rowAt(path).list) ? rowAt(path).list : 'about')}
          onOpen={openAt}
        />
      ) : null}
      {wide ? null : parts}
      <Search label={t('fleet.find')} value={query} onChange={setQuery} testID="find-row" />
      {groups.map((group) => {
        if (group.rows.length === 0 && wanted !== '') return null;
        return (
          <Card key={group.id} style={{ gap: 2, paddingLeft: 0 }}>
            <View style={{ paddingLeft: 16 }}>
              <SlabBold size={21} heading={2}>
                {group.name}
              </SlabBold>
              {group.rows.length === 0 ? <Small>{t('fleet.nothing')}</Small> : null}
            </View>
            {fixed ? (
              <View style={{ paddingLeft: 16 }}>
                {group.rows.map((row) => (
                  <BookRow
                    key={row.id}
                    kind={kind}
                    row={row}
                    line={saidIn(row, fieldsOf(row), t) || t('fleet.origin.none')}
                    waiting={waitingOf(toTranslate, list, row.id)}
                    origin={originOf(list, row.id)}
                    onOpen={() => setOpen({ row })}
                  />
                ))}
              </View>
            ) : (
              <>
                <Sortable ids={group.rows.map(({ id }) => id)} onOrder={(ids) => order(group.rows, ids)}>
                  {group.rows.map((row) => (
                    <Sorted key={row.id} id={row.id} label={t('fleet.drag', { name: wordsOf(row)?.en ?? row.id })} tone={tones.soft}>
                      <BookRow
                        kind={kind}
                        row={row}
                        waiting={waitingOf(toTranslate, list, row.id)}
                        origin={originOf(list, row.id)}
                        onOpen={() => setOpen({ row })}
                      />
                    </Sorted>
                  ))}
                </Sortable>
                <Button
                  mode="outlined"
                  label={t('fleet.add')}
                  onPress={() => setOpen({ start: { ...STARTS[list as 'stations'], ...(grouped ? { station: group.id } : {}) } })}
                  testID={`add-${group.id || list}`}
                  style={{ alignSelf: 'flex-start', marginLeft: 16 }}
                />
              </>
            )}
          </Card>
        );
      })}
      {wanted !== '' && shown.length === 0 ? <Body>{t('fleet.notFound')}</Body> : null}
      <Button
        mode="outlined"
        label={t('expert.open')}
        onPress={() => setAsJson(true)}
        style={{ alignSelf: 'flex-start' }}
        testID="as-json"
      />
    </>
  );
  const row = open ? (
    <RowSheet
      key={opened?.id ?? 'new'}
      kind={kind}
      title={opened ? (wordsOf(opened)?.en ?? opened.id) : t('fleet.add')}
      fields={fieldsOf(opened)}
      {...(opened ? { row: opened } : {})}
      start={'start' in open ? open.start : {}}
      origin={opened ? originOf(list, opened.id) : { is: 'own', name: '' }}
      stations={stations}
      tanks={rowsOf('tanks').filter(isNamed)}
      named={rowsOf('conditions').map(({ id }) => id)}
      plan={plan}
      bookKind={bookKind}
      fault={fault}
      busy={busy}
      onClose={close}
      onKeep={(edit) => {
        if (opened) edits.change(list, opened, edit);
        else if ('start' in open) {
          const words = ((edit.say ?? edit.name) as Wording | undefined)?.en ?? (edit.called as string | undefined) ?? list;
          edits.add(
            list,
            idOf(
              words,
              rows.map(({ id }) => id),
            ),
            { ...open.start, ...edit },
          );
        }
      }}
      {...(fixed ? {} : { onDrop: () => opened && edits.drop(list, opened.id) })}
      onInherit={() => opened && edits.inherit(list, opened.id)}
      waitingIn={(field) => (opened ? (toTranslate[pathOfText(list, opened.id, field)] ?? []) : [])}
      aside={list === 'drills' ? trial : list === 'fixCards' ? (card) => <CardTrial card={card} /> : undefined}
      lacksAs={(edit) => lacking?.ofRow(list, opened?.id ?? '', edit) ?? []}
      onRight={(field) => opened && onRight(pathOfText(list, opened.id, field))}
    />
  ) : null;
  const conditions = Object.fromEntries(rowsOf('conditions').map(({ id, when }) => [id, when as Condition]));
  return (
    <ConditionsOfBook.Provider value={conditions}>
      <Screen title={title} sub={sub} {...(wide ? {} : { onBack })} {...(right ? { right } : {})}>
        {wide ? (
          <View style={{ flexDirection: 'row' }}>
            <View style={{ width: PARTS, padding: 12, paddingRight: 4 }}>{parts}</View>
            <View style={{ flex: 1, padding: 12, gap: 12 }}>
              {drawn(width - PARTS - 24)}
              {part}
            </View>
          </View>
        ) : (
          <>
            {drawn(width)}
            <View style={{ padding: 12, gap: 12 }}>{part}</View>
          </>
        )}
        {row}
        {asJson ? (
          <ExpertSheet
            expert={expert}
            title={t('expert.title', { name: title })}
            fault={fault}
            busy={busy}
            onClose={() => setAsJson(false)}
          />
        ) : null}
      </Screen>
    </ConditionsOfBook.Provider>
  );
};
