import { currentOf } from '@quay/core/events/record';
import { say } from '@quay/core/words/words';
import { FITTING_STATES, counted } from '@quay/core/condition/events';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

const FittingForm = z.object({
  state: z.enum(FITTING_STATES),
  note: z.string().check(z.maxLength(500)),
  seal: z.string().check(z.maxLength(40)),
  /** At which other station it lies; nothing where it is in its place. */
  at: z.string(),
});

/** The state of one line of equipment: fine, broken, unsealed, out of date, with a word about it. */
export const FittingSheet = ({ view, fittingId, onClose }: { view: WalkView; fittingId: string; onClose: () => void }) => {
  const { t } = useTranslation();
  const fitting = view.pack.book.fittings.find(({ id }) => id === fittingId);
  const found = currentOf(view.record, [view.walk, 'count', fittingId], counted)?.value;
  const was = currentOf(view.record, ['out', 'count', fittingId], counted)?.value;
  const form = useSchemaForm(FittingForm, {
    state: found?.state ?? was?.state ?? 'fine',
    note: found?.note ?? '',
    seal: found?.seal ?? was?.seal ?? '',
    at: found?.at ?? '',
  });
  const [state, at] = form.watch(['state', 'at']);
  if (!fitting) return null;
  const sealed = fitting.kind === 'sealedKit';
  const name = say(fitting.name, view.language);
  const keep = form.handleSubmit(async ({ note, seal, ...said }) => {
    await view.enter(
      [
        {
          kind: 'counted',
          walk: view.walk,
          fitting: fittingId,
          count: found?.count ?? was?.count ?? fitting.count,
          state: said.state,
          ...(note.trim() ? { note: note.trim() } : {}),
          ...(sealed && seal.trim() ? { seal: seal.trim() } : {}),
          ...(said.at === '' ? {} : { at: said.at }),
        },
      ],
      t('walk.kept', { what: name }),
    );
    onClose();
  });
  return (
    <ModalSheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('walk.keepReading')} onPress={() => void keep()} testID="keep-fitting" />}
    >
      {fitting.expiry ? <Body>{t('walk.expiry', { month: fitting.expiry })}</Body> : null}
      {fitting.service ? <Body>{t('walk.service', { month: fitting.service })}</Body> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.stateOf', { name })}>
        {FITTING_STATES.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`walk.state.${one}`)}
            on={state === one}
            onPress={() => form.setValue('state', one)}
            tone={one === 'fine' ? 'primary' : 'danger'}
            testID={`state-${one}`}
          />
        ))}
      </View>
      {sealed ? <FormField form={form} name="seal" label={t('walk.sealNumber')} most={40} testID="seal-number" /> : null}
      <Small>{t('walk.notHereBut')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.notHereBut')}>
        {view.pack.book.stations
          .filter(({ id }) => id !== fitting.station)
          .map(({ id, name: station }) => (
            <ChoiceChip
              key={id}
              label={say(station, view.language)}
              on={at === id}
              onPress={() => form.setValue('at', at === id ? '' : id)}
              tone="warning"
              testID={`at-${id}`}
            />
          ))}
      </View>
      <FormField form={form} name="note" label={t('walk.notePlaceholder')} lines={2} testID="fitting-note" />
    </ModalSheet>
  );
};
