import { say } from '@quay/core/fleet/words';
import { FITTING_STATES } from '@quay/core/record/kinds';
import { slot } from '@quay/core/record/project';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Field } from '../../ui/field';
import { Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Body, Small } from '../../ui/words';
import type { WalkView } from '../record/useWalk';

/** The state of one line of equipment: fine, broken, unsealed, out of date, with a word about it. */
export const FittingSheet = ({ view, fittingId, onClose }: { view: WalkView; fittingId: string; onClose: () => void }) => {
  const { t } = useTranslation();
  const fitting = view.pack.book.fittings.find(({ id }) => id === fittingId);
  const found = slot(view.record, `${view.walk}/count/${fittingId}`, 'counted')?.value;
  const was = slot(view.record, `out/count/${fittingId}`, 'counted')?.value;
  const [state, setState] = useState(found?.state ?? was?.state ?? 'fine');
  const [note, setNote] = useState(found?.note ?? '');
  const [seal, setSeal] = useState(found?.seal ?? was?.seal ?? '');
  const [at, setAt] = useState(found?.at);
  if (!fitting) return null;
  const sealed = fitting.kind === 'sealedKit';
  const name = say(fitting.name, view.language);
  const keep = async () => {
    await view.enter(
      [
        {
          kind: 'counted',
          walk: view.walk,
          fitting: fittingId,
          count: found?.count ?? was?.count ?? fitting.count,
          state,
          ...(note.trim() ? { note: note.trim() } : {}),
          ...(sealed && seal.trim() ? { seal: seal.trim() } : {}),
          ...(at === undefined ? {} : { at }),
        },
      ],
      t('walk.kept', { what: name }),
    );
    onClose();
  };
  return (
    <Sheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t('walk.keepReading')} onPress={() => void keep()} testID="keep-fitting" />}
    >
      {fitting.expiry ? <Body>{t('walk.expiry', { month: fitting.expiry })}</Body> : null}
      {fitting.service ? <Body>{t('walk.service', { month: fitting.service })}</Body> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.stateOf', { name })}>
        {FITTING_STATES.map((one) => (
          <Chip
            key={one}
            label={t(`walk.state.${one}`)}
            on={state === one}
            onPress={() => setState(one)}
            tone={one === 'fine' ? 'weed' : 'lead'}
            testID={`state-${one}`}
          />
        ))}
      </View>
      {sealed ? <Field label={t('walk.sealNumber')} value={seal} onChange={setSeal} most={40} testID="seal-number" /> : null}
      <Small>{t('walk.notHereBut')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.notHereBut')}>
        {view.pack.book.stations
          .filter(({ id }) => id !== fitting.station)
          .map(({ id, name: station }) => (
            <Chip
              key={id}
              label={say(station, view.language)}
              on={at === id}
              onPress={() => setAt(at === id ? undefined : id)}
              tone="mari"
              testID={`at-${id}`}
            />
          ))}
      </View>
      <Field label={t('walk.notePlaceholder')} value={note} onChange={setNote} lines={2} />
    </Sheet>
  );
};
