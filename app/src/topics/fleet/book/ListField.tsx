import { mdiArrowUp, mdiDeleteOutline } from '@mdi/js';
import { idOf } from '@quay/core/fleet/edit';
import { type ReactNode, useContext, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, IconButton } from '../../../ui/controls/button';
import { useTones } from '../../../ui/theme';
import { ListRow } from '../../../ui/controls/listRow';
import { Body, Bold, Small } from '../../../ui/words';
import { type ItemDraft, newItem } from './draft';
import { DrillNamesNow } from './drill/drillNames';
import { itemLine } from './drill/itemLine';
import type { FieldSpec } from './fields/fieldSpec';

type ListSpec = Extract<FieldSpec, { is: 'list' }>;

/** Rows within a row: each under its number, moved up, taken away, and one more at the end. */
export const ListField = ({
  spec,
  id,
  label,
  items,
  fault,
  faultWithin,
  onSet,
  children,
}: {
  spec: ListSpec;
  /** By which its signs are found. */
  id: string;
  label: string;
  items: readonly ItemDraft[];
  fault: string | undefined;
  /** Whether something is wrong within one of them: that one is open. */
  faultWithin?: ((index: number) => string | undefined) | undefined;
  onSet: (items: readonly ItemDraft[]) => void;
  /** The fields of one of them. @param change what becomes of it */
  children: (item: ItemDraft, index: number, change: (item: ItemDraft) => void) => ReactNode;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const one = t(`fleet.one.${spec.field}` as 'fleet.one.answers');
  const ids = items.map(({ id }) => id);
  const names = useContext(DrillNamesNow);
  /** Which of them are open, where each is a line until it is. */
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const turn = (one: string) => setOpen((was) => new Set(was.has(one) ? [...was].filter((other) => other !== one) : [...was, one]));
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {items.map((item, i) => (
        <View key={item.id} style={{ gap: 8, borderLeftWidth: 4, borderLeftColor: tones.line, paddingLeft: 12 }}>
          <View style={{ flexDirection: 'row', alignItems: 'center' }}>
            {spec.folds ? (
              <View style={{ flex: 1 }}>
                <ListRow
                  label={t(open.has(item.id) ? 'fleet.fold' : 'fleet.unfold', { what: one, n: i + 1 })}
                  onPress={() => turn(item.id)}
                  testID={`open-${id}-${i}`}
                  style={{ minHeight: 44, justifyContent: 'center' }}
                >
                  <Small>{t('fleet.nth', { what: one, n: i + 1 })}</Small>
                  <Body>{itemLine(item, spec.of, names, t)}</Body>
                </ListRow>
              </View>
            ) : (
              <Small style={{ flex: 1 }}>{t('fleet.nth', { what: one, n: i + 1 })}</Small>
            )}
            {i > 0 ? (
              <IconButton
                path={mdiArrowUp}
                label={t('fleet.moveUp', { what: one, n: i + 1 })}
                onPress={() => onSet(items.map((same, at) => (at === i - 1 ? item : at === i ? items[i - 1]! : same)))}
                plain
                testID={`up-${id}-${i}`}
              />
            ) : null}
            <IconButton
              path={mdiDeleteOutline}
              label={t('fleet.takeAway', { what: one, n: i + 1 })}
              onPress={() => onSet(items.filter((other) => other !== item))}
              plain
              testID={`drop-${id}-${i}`}
            />
          </View>
          {spec.folds && !open.has(item.id) && faultWithin?.(i) === undefined
            ? null
            : children(item, i, (next) => onSet(items.map((same) => (same === item ? next : same))))}
        </View>
      ))}
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
      {items.length < spec.most ? (
        <Button
          mode="outlined"
          label={t('fleet.oneMore', { what: one })}
          onPress={() => {
            const next = newItem(spec.of, idOf(spec.field, ids));
            setOpen((was) => new Set([...was, next.id]));
            onSet([...items, next]);
          }}
          style={{ alignSelf: 'flex-start' }}
          testID={`more-${id}`}
        />
      ) : null}
    </View>
  );
};
