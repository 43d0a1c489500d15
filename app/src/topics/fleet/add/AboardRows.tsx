import type { Starter } from '@quay/contract/newBoat';
import { runsOut } from '@quay/core/fleet/starter/questions';
import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { CountStepper } from '../../../ui/controls/countStepper';
import { FormField } from '../../../ui/controls/form';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Plan } from '../../../ui/drawn/plan';
import { useRoom } from '../../../ui/room';
import { useTones } from '../../../ui/theme';
import { MiniPlan } from './MiniPlan';
import type { NewBoatForm } from './newBoatForm';

type Row = Starter['fittings'][number];

/** How many of each lie aboard, where, and until when those count that run out. */
export const AboardRows = ({ form, starter }: { form: NewBoatForm; starter: Starter }) => {
  const [asked, setAsked] = useState<Row>();
  return (
    <View>
      {starter.fittings.map((fitting) => (
        <AboardRow key={fitting.id} form={form} starter={starter} fitting={fitting} onWhere={() => setAsked(fitting)} />
      ))}
      {asked ? <WhereSheet form={form} starter={starter} fitting={asked} onClose={() => setAsked(undefined)} /> : null}
    </View>
  );
};

const useStationName = (starter: Starter) => {
  const { i18n } = useTranslation();
  return (id: string) => {
    const found = starter.stations.find((one) => one.id === id);
    return found ? say(found.name, i18n.language) : id;
  };
};

const AboardRow = ({ form, starter, fitting, onWhere }: { form: NewBoatForm; starter: Starter; fitting: Row; onWhere: () => void }) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const stationName = useStationName(starter);
  const { id } = fitting;
  const kept = form.watch(`fittings.${id}`);
  if (!kept) return null;
  const name = say(fitting.name, i18n.language);
  const gone = kept.count === 0;
  return (
    <View style={{ borderBottomWidth: 1, borderBottomColor: tones.line, paddingVertical: 6, gap: 6 }}>
      <CountStepper
        label={name}
        fewer={t('newBoat.fewer', { name })}
        more={t('newBoat.more', { name })}
        value={kept.count}
        least={0}
        most={99}
        onChange={(count) => form.setValue(`fittings.${id}.count`, count, { shouldDirty: true })}
        testID={`aboard-${id}`}
      />
      {gone ? null : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10, alignItems: 'center' }}>
          <MiniPlan plan={starter.plan} stations={starter.stations} at={kept.station} />
          <Button mode="outlined" label={stationName(kept.station)} onPress={onWhere} testID={`where-${id}`} />
          {runsOut(fitting) ? (
            <View style={{ flexGrow: 1, flexBasis: 200, maxWidth: 280 }}>
              <FormField form={form} name={`fittings.${id}.expiry`} label={t('newBoat.expiry')} most={10} testID={`expiry-${id}`} />
            </View>
          ) : null}
        </View>
      )}
    </View>
  );
};

/** Where a thing is kept: pressed on the boat, or by the station's name. */
const WhereSheet = ({ form, starter, fitting, onClose }: { form: NewBoatForm; starter: Starter; fitting: Row; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const { width, wide } = useRoom();
  const stationName = useStationName(starter);
  const at = form.getValues(`fittings.${fitting.id}.station`);
  const take = (station: string) => {
    form.setValue(`fittings.${fitting.id}.station`, station, { shouldDirty: true });
    onClose();
  };
  return (
    <ModalSheet title={t('newBoat.whereOf', { name: say(fitting.name, i18n.language) })} closeLabel={t('common.close')} onClose={onClose}>
      <View style={{ borderRadius: 14, overflow: 'hidden' }}>
        <Plan
          plan={starter.plan}
          stations={starter.stations}
          stops={starter.stations.map(({ id }, i) => ({
            id,
            name: stationName(id),
            label: String(i + 1),
            state: id === at ? 'now' : 'open',
          }))}
          width={Math.min(wide ? 604 : width - 36, 604)}
          height={190}
          onStop={take}
        />
      </View>
      <View
        style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}
        role="radiogroup"
        aria-label={t('newBoat.whereOf', { name: fitting.name.en })}
      >
        {starter.stations.map(({ id }, i) => (
          <ChoiceChip key={id} label={`${i + 1} · ${stationName(id)}`} on={id === at} onPress={() => take(id)} testID={`station-${id}`} />
        ))}
      </View>
    </ModalSheet>
  );
};
