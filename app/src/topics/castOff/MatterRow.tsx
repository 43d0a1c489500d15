import type { CastOffMatter, Place } from '@quay/core/castOff/matter';
import { currentAt, currentUnder } from '@quay/core/events/record';
import { boatHeld } from '@quay/core/castOff/events';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { useMe } from '../../local/session';
import { Button } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { useSnack } from '../../ui/controls/snack';
import { type Tones, useTones } from '../../ui/theme';
import { Body, Bold, Small } from '../../ui/words';
import { Settle } from '../record/Settle';
import { OverrideSheet } from './OverrideSheet';
import { ClearAdded } from '../record/ClearAdded';
import { useMatterWords } from './matterWords';

const EDGE = { hold: 'danger', ask: 'warning', note: 'line' } as const satisfies Record<CastOffMatter['level'], keyof Tones>;

/** Where a matter is settled, as an address; nothing where it is settled right here. */
export const pathOf = (hireId: string, place: Place): string | undefined => {
  switch (place.page) {
    case 'fit':
      return `/hire/${hireId}/fit`;
    case 'sign':
      return `/hire/${hireId}/sign/out`;
    case 'docking':
      return `/hire/${hireId}/docking`;
    case 'walk':
      return `/hire/${hireId}/walk/out?stop=${place.station}`;
    case 'drill':
      return `/hire/${hireId}/drill/${place.drill}`;
    case 'deposit':
      return `/hire/${hireId}/castoff?open=deposit`;
    case 'comeIn':
      return place.hire === '' ? undefined : `/hire/${place.hire}/walk/in`;
    case 'turnaround':
      return `/hire/${place.hire}/turnaround`;
    case 'hire':
      return undefined;
  }
};

/** One matter between this party and the water: what it is, whose rule, the way to settle it, and what a manager may do. */
export const MatterRow = ({ view, matter }: { view: HireView; matter: CastOffMatter }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const snack = useSnack();
  const [letting, setLetting] = useState(false);
  const manager = useMe().data?.staff.role === 'manager';
  const words = useMatterWords(view);
  const { found, level, override, overridable, origin, place, key } = matter;
  const path = pathOf(view.pack.hire.id, place);
  const said = currentUnder(view.record, ['boatHeld'], boatHeld).flatMap(({ currentEvents }) => currentEvents);
  const spoken = said.find(({ event: { body } }) => found.is === 'said' && body.kind === 'boatHeld' && body.why === found.why);
  const current = found.is === 'conflict' ? currentAt(view.record, found.subject) : undefined;
  const let_ = currentAt(view.record, ['overridden', key]);
  const line = (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingVertical: 8 }}>
      <View style={{ flex: 1, gap: 2 }}>
        <Bold>{words.found(found)}</Bold>
        <Small>{t(`castOff.origin.${origin}`)}</Small>
      </View>
      {path === undefined ? null : <Bold size={24}>›</Bold>}
    </View>
  );
  return (
    <View
      testID={`matter-${key}`}
      style={{
        borderLeftWidth: 7,
        borderLeftColor: override ? tones.primary : tones[EDGE[level]],
        backgroundColor: tones.card,
        borderRadius: 12,
        paddingLeft: 14,
        paddingRight: 12,
        paddingVertical: 4,
        gap: 6,
      }}
    >
      {path === undefined ? (
        line
      ) : (
        <ListRow label={words.found(found)} onPress={() => router.push(path)} testID={`open-${key}`}>
          {line}
        </ListRow>
      )}
      {override ? (
        <View style={{ gap: 6, paddingBottom: 8 }}>
          <Body>{t('castOff.overriddenBy', { why: override.why })}</Body>
          {manager && let_ ? (
            <Button
              mode="outlined"
              label={t('castOff.takeBack')}
              onPress={() =>
                void view
                  .undo(let_.currentEvents)
                  .then((stored) => snack({ text: t('castOff.takenBack'), undo: () => void view.undo(stored) }))
              }
              testID={`take-back-${key}`}
            />
          ) : null}
        </View>
      ) : null}
      {spoken ? (
        <Button
          mode="outlined"
          label={t('hold.lift')}
          onPress={() => void view.undo([spoken]).then((stored) => snack({ text: t('hold.lifted'), undo: () => void view.undo(stored) }))}
          style={{ marginBottom: 8 }}
          testID="lift"
        />
      ) : null}
      {current ? <Settle view={view} subject={current.subject} /> : null}
      {found.is === 'signAgain' ? <ClearAdded view={view} walk="out" /> : null}
      {overridable ? null : <Bold style={{ paddingBottom: 8 }}>{t('castOff.never')}</Bold>}
      {!override && level !== 'note' && overridable && manager ? (
        <Button
          mode="outlined"
          label={t('castOff.override')}
          onPress={() => setLetting(true)}
          style={{ marginBottom: 8 }}
          testID={`let-go-${key}`}
        />
      ) : null}
      {letting ? <OverrideSheet view={view} matter={matter} onClose={() => setLetting(false)} /> : null}
    </View>
  );
};
