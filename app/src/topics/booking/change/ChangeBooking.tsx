import { getChoices } from '@quay/contract/booking';
import { changeHire } from '@quay/contract/change';
import { CHANGE_REASONS } from '@quay/core/booking/events';
import { stateOf } from '@quay/core/day/board';
import { POLICIES } from '@quay/core/policy/policy';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { type HireView, useHire } from '../../../local/hire';
import { useMe } from '../../../local/session';
import { Card, Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { Choices } from '../../../ui/controls/choices';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { ClockField, DayField } from '../../../ui/controls/when';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Body, SlabBold } from '../../../ui/words';
import { HireMissing } from '../../record/HireMissing';
import { SumField } from '../../settlement/SumField';
import { BoatChoices } from '../BoatChoices';
import { CancelSheet } from './CancelSheet';
import { bookedAs, changeForm, changesOf } from './changeForm';
import { ReasonChoice } from './ReasonChoice';
import { SwapCard } from './SwapCard';
import { useHireChange } from './useHireChange';

/** Widest that a form is read at, px. */
const MEASURE = 1100;

/** Everything of a booking that can still be changed: all of it until she leaves, then the return, at last how to reach whoever hired her. */
export const ChangeBooking = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Change view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

const Change = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const { wide } = useRoom();
  const now = useNow(60_000);
  // As it was when it was opened: what somebody else changes meanwhile is refused, and never written over unseen.
  const [pack] = useState(view.pack);
  const { hire, base, boat, book, prices, operator } = pack;
  const state = stateOf(view.record);
  const before = state === 'booked' || state === 'walkingOut' || state === 'readyToGo';
  const manager = useMe().data?.staff.role === 'manager';
  const times = before || (state === 'out' && manager);
  const schema = useMemo(() => changeForm(base.zone, prices.currency), [base.zone, prices.currency]);
  const form = useSchemaForm(schema, bookedAs(pack));
  const [cancelling, setCancelling] = useState(false);
  const [keepTold, setKeepTold] = useState(true);
  const { fault, tight, busy, send, clear } = useHireChange(hire);
  const entered = schema.safeParse(form.watch());
  const changes = entered.success ? changesOf(entered.data, pack) : undefined;
  const [wish, why, note, language, handover] = form.watch(['boat', 'why', 'note', 'language', 'handover']);
  const swaps = wish !== hire.boat;
  // What it costs to be late hangs on it, and another boat is another promise: both say why.
  const whyWanted = swaps || (state === 'out' && changes?.to !== undefined);
  const of = JSON.stringify([changes?.boat, changes?.from, changes?.to]);
  const insists = tight?.of === of;
  // What was said of another boat or other hours is no longer to the point.
  useEffect(clear, [of]); // eslint-disable-line react-hooks/exhaustive-deps
  const adults = entered.success ? entered.data.adults : hire.party.adults;
  const people = adults + (entered.success ? entered.data.children : hire.party.children);
  const [from, to] = [changes?.from ?? hire.from, changes?.to ?? hire.to];
  const [elsewhere, setElsewhere] = useState<string>();
  const found = useQuery({
    queryKey: ['choices', elsewhere ?? base.id, from, to, people, hire.id],
    queryFn: () => call(getChoices, { query: { base: elsewhere ?? base.id, from, to, people: String(people), hire: hire.id } }),
    enabled: before && from < to,
    placeholderData: keepPreviousData,
  });
  const back = () => router.replace(`/hire/${hire.id}`);
  const save = form.handleSubmit(async (values) => {
    const body = { ...changesOf(values, pack), ...(values.why ? { why: values.why } : {}), ...(swaps ? { keepTold } : {}) };
    const words = values.note.trim();
    const whole = { ...body, ...(words === '' ? {} : { note: words }) };
    if (await send(({ about, insist }) => call(changeHire, { ...about, body: { ...whole, ...insist } }), t('change.kept'), of)) back();
  });
  const nothing = changes !== undefined && Object.keys(changes).length === 0;
  const overPlate = !swaps && people > book.plate.people;
  const row = (day: 'fromDate' | 'date', clock: 'fromClock' | 'clock', label: string, id: string) => (
    <View style={{ flexDirection: 'row', gap: 12 }}>
      <View style={{ flex: 3 }}>
        <DayField form={form} name={day} label={label} testID={`${id}date`} />
      </View>
      <View style={{ flex: 2 }}>
        <ClockField form={form} name={clock} label={t('change.clock')} testID={`${id}clock`} />
      </View>
    </View>
  );
  const when = times ? (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('change.when')}
      </SlabBold>
      {before ? row('fromDate', 'fromClock', t('change.leaves'), 'change-from-') : null}
      {row('date', 'clock', t('change.date'), 'change-')}
      {before ? (
        <>
          <View style={{ flexDirection: 'row', gap: 12 }}>
            <View style={{ flex: 1 }}>
              <FormField form={form} name="adults" label={t('change.adults')} numeric most={2} testID="change-adults" />
            </View>
            <View style={{ flex: 1 }}>
              <FormField form={form} name="children" label={t('change.children')} numeric most={2} testID="change-children" />
            </View>
          </View>
          {overPlate ? <Notice kind="stop" title={t('change.overPlate', { n: book.plate.people })} /> : null}
        </>
      ) : null}
    </Card>
  ) : null;
  const boats = before ? (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('change.boat')}
      </SlabBold>
      {found.data && found.data.bases.length > 1 ? (
        <Choices
          label={t('day.bases')}
          options={found.data.bases.map(({ id }) => id)}
          labelOf={(id) => found.data.bases.find((one) => one.id === id)?.name ?? id}
          value={elsewhere ?? base.id}
          onChange={setElsewhere}
          testID="change-base"
        />
      ) : null}
      {swaps ? <SwapCard hireId={hire.id} boat={wish} from={boat.name} keepTold={keepTold} onKeepTold={setKeepTold} /> : null}
      <BoatChoices
        boats={found.data?.boats ?? []}
        chosen={wish}
        zone={base.zone}
        now={now}
        onChoose={(one) => form.setValue('boat', one)}
        onOpen={(other) => router.push(`/hire/${other}`)}
      />
    </Card>
  ) : null;
  const who = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('change.who')}
      </SlabBold>
      {before ? (
        <FormField form={form} name="renter" label={t('newHire.name')} most={80} autoComplete="off" testID="change-renter" />
      ) : null}
      <FormField form={form} name="contact" label={t('newHire.contact')} most={120} autoComplete="off" testID="change-contact" />
      {before ? (
        <>
          <Choices
            label={t('newHire.language')}
            options={operator.languages}
            labelOf={(one) => t(`newHire.languages.${one}`)}
            value={language}
            onChange={(one) => form.setValue('language', one)}
            testID="change-language"
          />
          <Choices
            label={t('newHire.handover')}
            options={POLICIES.handover}
            labelOf={(one) => t(`fleet.policy.handover.${one}`)}
            value={handover}
            onChange={(one) => form.setValue('handover', one)}
            testID="change-handover"
          />
          <SumField form={form} name="deposit" label={t('change.deposit')} currency={prices.currency} testID="change-deposit" />
        </>
      ) : null}
      <FormField form={form} name="notes" label={t('hire.notes')} lines={3} most={2000} testID="change-notes" />
    </Card>
  );
  const reason = (
    <Card style={{ gap: 10 }}>
      <ReasonChoice
        reasons={CHANGE_REASONS}
        why={why}
        note={note}
        onWhy={(one) => form.setValue('why', one)}
        onNote={(text) => form.setValue('note', text)}
      />
    </Card>
  );
  const cancel = before ? (
    <Button
      mode="outlined"
      label={t('change.cancel')}
      onPress={() => setCancelling(true)}
      style={{ alignSelf: 'flex-start' }}
      testID="cancel-hire"
    />
  ) : null;
  const footer = (
    <View style={{ gap: 8 }}>
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {insists ? <Notice kind="ask" title={tight.words} /> : null}
      <Button
        mode="contained"
        label={t(nothing ? 'change.nothing' : insists ? 'change.insist' : 'change.keep')}
        tone={insists ? 'warning' : 'primary'}
        disabled={nothing || overPlate || (whyWanted && why === undefined)}
        {...(whyWanted && why === undefined ? { hint: t('problem.whyMissing') } : {})}
        busy={busy}
        onPress={() => void save()}
        testID="keep-change"
      />
    </View>
  );
  return (
    <Screen
      title={t('change.title')}
      sub={`${boat.name} · ${hire.renter}`}
      onBack={back}
      {...(wide ? { measure: MEASURE } : {})}
      footer={footer}
    >
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {before ? null : <Body>{t(state === 'out' ? 'change.outOnly' : 'change.backOnly')}</Body>}
          {when}
          {wide ? who : boats}
          {whyWanted && !wide ? reason : null}
        </View>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {wide ? boats : who}
          {whyWanted && !wide ? null : reason}
          {cancel}
        </View>
      </View>
      {cancelling ? <CancelSheet view={view} onClose={() => setCancelling(false)} onDone={back} /> : null}
    </Screen>
  );
};
