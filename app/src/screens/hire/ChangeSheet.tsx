import { changeHire } from '@quay/contract/hire';
import { isClock, isDay } from '@quay/core/time/calendar';
import { clockOf, dateOf, instantOf } from '@quay/core/time/zone';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../data/api';
import { type HireView, packQuery } from '../../data/hire';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';

const whole = (text: string, least: number, most: number): number | undefined =>
  /^\d{1,2}$/.test(text.trim()) && Number(text) >= least && Number(text) <= most ? Number(text) : undefined;

/** What a manager may change of a booking: when she is due, who comes along, the notes. Two who do it at once find out. */
export const ChangeSheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { hire, base, book } = view.pack;
  const [date, setDate] = useState(dateOf(hire.to, base.zone));
  const [clock, setClock] = useState(clockOf(hire.to, base.zone));
  const [adults, setAdults] = useState(String(hire.party.adults));
  const [children, setChildren] = useState(String(hire.party.children));
  const [notes, setNotes] = useState(hire.notes);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const reads = isDay(date) && isClock(clock);
  const to = reads ? instantOf(`${date}T${clock}`, base.zone) : undefined;
  const dueFault = to === undefined ? t('change.badTime') : to <= hire.from ? t('change.beforeStart') : undefined;
  const party = { adults: whole(adults, 1, 60), children: whole(children, 0, 60) };
  const people = (party.adults ?? 0) + (party.children ?? 0);
  const overPlate = people > book.plate.people;
  const keep = async () => {
    if (dueFault || to === undefined || party.adults === undefined || party.children === undefined) return;
    setBusy(true);
    setFault(undefined);
    try {
      await call(changeHire, {
        params: { hireId: hire.id },
        headers: { 'if-match': `"${hire.version}"` },
        body: { to, party: { adults: party.adults, children: party.children }, notes },
      });
      await client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey });
      onClose();
    } catch (error) {
      if (error instanceof NoAnswer) setFault(t('change.offline'));
      else if (error instanceof Refused) {
        setFault(error.problem.code === 'changedMeanwhile' ? t('change.meanwhile') : error.problem.title);
        await client.invalidateQueries({ queryKey: packQuery(hire.id).queryKey });
      } else throw error;
    } finally {
      setBusy(false);
    }
  };
  const partyFault = party.adults === undefined || party.children === undefined;
  return (
    <Sheet
      title={t('change.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Go
          label={t('change.keep')}
          busy={busy}
          disabled={dueFault !== undefined || partyFault}
          onPress={() => void keep()}
          testID="keep-change"
        />
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 3 }}>
          <Field label={t('change.date')} value={date} onChange={setDate} fault={dueFault} testID="change-date" />
        </View>
        <View style={{ flex: 2 }}>
          <Field label={t('change.clock')} value={clock} onChange={setClock} testID="change-clock" />
        </View>
      </View>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 1 }}>
          <Field
            label={t('change.adults')}
            value={adults}
            onChange={setAdults}
            numeric
            fault={party.adults === undefined ? t('change.badAdults') : undefined}
            testID="change-adults"
          />
        </View>
        <View style={{ flex: 1 }}>
          <Field
            label={t('change.children')}
            value={children}
            onChange={setChildren}
            numeric
            fault={party.children === undefined ? t('change.badChildren') : undefined}
            testID="change-children"
          />
        </View>
      </View>
      {overPlate ? <Notice kind="stop" title={t('change.overPlate', { n: book.plate.people })} /> : null}
      <Field label={t('hire.notes')} value={notes} onChange={setNotes} lines={3} testID="change-notes" />
    </Sheet>
  );
};
