import { mdiDeleteOutline } from '@mdi/js';
import { useContext, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button, IconButton } from '../../../../ui/controls/button';
import { ChoiceChip } from '../../../../ui/controls/choiceChip';
import { ModalSheet } from '../../../../ui/controls/modalSheet';
import { useTones } from '../../../../ui/theme';
import { Bold, Small } from '../../../../ui/words';
import type { TestDraft, WhenDraft } from './drillDraft';
import { DrillNamesNow } from './drillNames';

/** When something of a drill holds: what its controls and facts have to be, how long a timer has to have run. */
export const WhenField = ({
  label,
  id,
  when,
  fault,
  onSet,
}: {
  label: string;
  id: string;
  when: WhenDraft;
  fault: string | undefined;
  onSet: (when: WhenDraft) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { cases } = when;
  const setCase = (i: number, tests: readonly TestDraft[] | undefined) =>
    onSet({ ...when, cases: cases.flatMap((same, at) => (at === i ? (tests ? [tests] : []) : [same])) });
  return (
    <View style={{ gap: 8 }} role="group" aria-label={label}>
      <Bold>{label}</Bold>
      {cases.length === 0 ? <Small>{t('fleet.always')}</Small> : null}
      {cases.map((tests, i) => (
        <View key={i} style={{ gap: 8, borderLeftWidth: 4, borderLeftColor: tones.primary, paddingLeft: 12 }}>
          {i > 0 ? <Small>{t('fleet.drill.or')}</Small> : null}
          {tests.map((test, n) => (
            <Test
              key={test.name}
              test={test}
              id={`${id}-${i}-${n}`}
              onSet={(next) => setCase(i, next ? tests.map((same, at) => (at === n ? next : same)) : tests.filter((_, at) => at !== n))}
            />
          ))}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <AddTest tests={tests} id={`${id}-${i}`} onAdd={(test) => setCase(i, [...tests, test])} />
            <Button mode="outlined" label={t('fleet.drill.dropCase')} onPress={() => setCase(i, undefined)} testID={`${id}-${i}-drop`} />
          </View>
        </View>
      ))}
      {fault ? (
        <Bold size={16} tone="dangerText" live>
          {fault}
        </Bold>
      ) : null}
      <Button
        mode="outlined"
        label={t(cases.length === 0 ? 'fleet.addFact' : 'fleet.drill.orWhen')}
        onPress={() => onSet({ ...when, cases: [...cases, []] })}
        style={{ alignSelf: 'flex-start' }}
        testID={`${id}-case`}
      />
    </View>
  );
};

/** What one control, fact or timer has to be. */
const Test = ({ test, id, onSet }: { test: TestDraft; id: string; onSet: (test: TestDraft | undefined) => void }) => {
  const { t } = useTranslation();
  const { controls, facts, timers } = useContext(DrillNamesNow);
  const timer = timers.find((one) => one.id === test.name);
  const of = [...controls, ...facts].find((one) => one.id === test.name);
  const name = timer?.name ?? of?.name ?? test.name;
  // What the drill no longer has is shown, so that it can be taken away.
  const values = [
    ...(of?.values ?? []),
    ...test.values.filter((id_) => !of?.values.some((one) => one.id === id_)).map((id_) => ({ id: id_, name: id_ })),
  ];
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
        <Bold size={16} style={{ flex: 1 }}>
          {name}
        </Bold>
        {timer ? null : (
          <ChoiceChip
            label={t('fleet.not')}
            on={test.not}
            several
            onPress={() => onSet({ ...test, not: !test.not })}
            testID={`${id}-not`}
          />
        )}
        <IconButton
          path={mdiDeleteOutline}
          label={t('fleet.takeAwayFact', { name })}
          onPress={() => onSet(undefined)}
          plain
          testID={`${id}-drop`}
        />
      </View>
      {timer ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={name}>
          {timer.marks.flatMap((mark) =>
            (['atLeast', 'below'] as const).map((bound) => (
              <ChoiceChip
                key={`${bound} ${mark}`}
                label={t(`fleet.drill.${bound}`, { seconds: mark })}
                on={test[bound] === mark}
                onPress={() => onSet({ ...test, atLeast: '', below: '', [bound]: mark })}
                testID={`${id}-${bound}-${mark}`}
              />
            )),
          )}
        </View>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="group" aria-label={name}>
          {values.map((one) => (
            <ChoiceChip
              key={one.id}
              several
              label={one.name}
              on={test.values.includes(one.id)}
              onPress={() =>
                onSet({
                  ...test,
                  values: test.values.includes(one.id) ? test.values.filter((other) => other !== one.id) : [...test.values, one.id],
                })
              }
              testID={`${id}-${one.id}`}
            />
          ))}
        </View>
      )}
    </View>
  );
};

/** One more thing that has to be so: whatever is not asked for yet. */
const AddTest = ({ tests, id, onAdd }: { tests: readonly TestDraft[]; id: string; onAdd: (test: TestDraft) => void }) => {
  const { t } = useTranslation();
  const { controls, facts, timers } = useContext(DrillNamesNow);
  const [open, setOpen] = useState(false);
  const others = [...controls, ...facts, ...timers].filter((one) => !tests.some(({ name }) => name === one.id));
  if (others.length === 0) return null;
  return (
    <>
      <Button mode="outlined" label={t('fleet.addFact')} onPress={() => setOpen(true)} testID={`${id}-add`} />
      {open ? (
        <ModalSheet title={t('fleet.addFact')} closeLabel={t('common.close')} onClose={() => setOpen(false)}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={t('fleet.addFact')}>
            {others.map((one) => (
              <ChoiceChip
                key={one.id}
                label={one.name}
                on={false}
                onPress={() => {
                  onAdd({ name: one.id, not: false, values: [], atLeast: 'marks' in one ? (one.marks[0] ?? '') : '', below: '' });
                  setOpen(false);
                }}
                testID={`add-${one.id}`}
              />
            ))}
          </View>
        </ModalSheet>
      ) : null}
    </>
  );
};
