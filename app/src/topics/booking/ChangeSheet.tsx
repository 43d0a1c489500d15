import { changeHire } from '@quay/contract/hire';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import { writeDay } from '@quay/core/time/typedDay';
import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { call, NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { type HireView, packQuery } from '../../local/hire';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import * as typed from '../../ui/controls/typed';
import { ClockField, DayField } from '../../ui/controls/when';

/** So many of a party at most, as the contract has it. */
const MOST = 60;

/** What may be changed, as it is typed. @param from when the hire begins, ISO instant @param zone of its base */
const changeForm = (from: string, zone: string) =>
  z
    .object({
      date: typed.day('change.badDay'),
      clock: typed.clock('change.badClock'),
      adults: typed.number({ from: 1, to: MOST, whole: true }, 'change.badAdults'),
      children: typed.number({ from: 0, to: MOST, whole: true }, 'change.badChildren'),
      notes: z.string().check(z.maxLength(2000)),
    })
    .check((context) => {
      const { date, clock } = context.value;
      if (instantOf(`${date}T${clock}`, zone) > from) return;
      context.issues.push({ code: 'custom', path: ['date'], message: 'change.beforeStart', input: date });
    });

/** What a manager may change of a booking: when the boat is due, who comes along, the notes. Two who do it at once find out. */
export const ChangeSheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const { hire, base, book } = view.pack;
  const schema = useMemo(() => changeForm(hire.from, base.zone), [hire.from, base.zone]);
  const form = useSchemaForm(schema, {
    date: writeDay(dateOf(hire.to, base.zone)),
    clock: clockOf(hire.to, base.zone),
    adults: String(hire.party.adults),
    children: String(hire.party.children),
    notes: hire.notes,
  });
  const [fault, setFault] = useState<string>();
  /** What is in the way of the later return, and may be insisted on. */
  const [tightAt, setTightAt] = useState<{ of: string; words: string }>();
  const [date, clock] = form.watch(['date', 'clock']);
  // Insisted on is the return that was said to be in the way, and no other that was typed since.
  const tight = tightAt?.of === `${date} ${clock}` ? tightAt.words : undefined;
  const [adults, children] = form.watch(['adults', 'children']).map(Number);
  const overPlate = (adults || 0) + (children || 0) > book.plate.people;
  const keep = form.handleSubmit(async (entered) => {
    setFault(undefined);
    try {
      await call(changeHire, {
        params: { hireId: hire.id },
        headers: { 'if-match': `"${hire.version}"` },
        body: {
          to: instantOf(`${entered.date}T${entered.clock}`, base.zone),
          party: { adults: entered.adults, children: entered.children },
          notes: entered.notes,
          ...(tight === undefined ? {} : { insist: true }),
        },
      });
      await client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey });
      onClose();
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('change.offline'));
      else if (error instanceof Refused && error.problem.code === 'boatTight')
        setTightAt({ of: `${date} ${clock}`, words: errorWords(error) });
      else if (error instanceof Refused) {
        setFault(error.problem.code === 'changedMeanwhile' ? t('change.meanwhile') : errorWords(error));
        await client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey });
      } else throw error;
    }
  });
  return (
    <ModalSheet
      title={t('change.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t(tight === undefined ? 'change.keep' : 'change.insist')}
          tone={tight === undefined ? 'primary' : 'warning'}
          busy={form.formState.isSubmitting}
          onPress={() => void keep()}
          testID="keep-change"
        />
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {tight ? <Notice kind="ask" title={tight} /> : null}
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 3 }}>
          <DayField form={form} name="date" label={t('change.date')} testID="change-date" />
        </View>
        <View style={{ flex: 2 }}>
          <ClockField form={form} name="clock" label={t('change.clock')} testID="change-clock" />
        </View>
      </View>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1 }}>
          <FormField form={form} name="adults" label={t('change.adults')} numeric most={2} testID="change-adults" />
        </View>
        <View style={{ flex: 1 }}>
          <FormField form={form} name="children" label={t('change.children')} numeric most={2} testID="change-children" />
        </View>
      </View>
      {overPlate ? <Notice kind="stop" title={t('change.overPlate', { n: book.plate.people })} /> : null}
      <FormField form={form} name="notes" label={t('hire.notes')} lines={3} most={2000} testID="change-notes" />
    </ModalSheet>
  );
};
