import { currentUnder } from '@quay/core/events/record';
import type { StoredEvent } from '@quay/core/events/stored';
import { receiptShown } from '@quay/core/findings/events';
import type { Tank } from '@quay/core/fleet/rows';
import { fuelFilled, tankServed } from '@quay/core/fuel/events';
import { typedNumber } from '@quay/core/number/typed';
import type { EventBody } from '@quay/core/record/event';
import { say } from '@quay/core/words/words';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import * as z from 'zod/mini';
import { useAfloatWords } from '../../../i18n/afloatWords';
import { Card, Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Choices } from '../../../ui/controls/choices';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { useMoney } from '../../../ui/controls/money';
import { useSnack } from '../../../ui/controls/snack';
import { whenOf } from '../../../ui/format';
import { measures } from '../../../ui/units';
import { Body, SlabBold, Small } from '../../../ui/words';
import { PhotoRow } from '../../photo/PhotoRow';
import { PhotoTaking } from '../../photo/PhotoTaking';
import { usePhoto } from '../../photo/usePhoto';
import { SumField, sumOf } from '../../settlement/SumField';
import { Page } from '../Page';
import { useRenting } from '../RenterFace';

/** Fuel, water, pump-outs and whatever else a renter fills or pays on the way: written down when it happens, signal or not. */
export const SpentPage = () => (useAfloatWords() ? <Spent /> : null);

const WHATS = ['fuel', 'water', 'pumpOut', 'other'] as const;
type What = (typeof WHATS)[number];

const isFor = (what: What, { holds, feeds }: Tank): boolean => {
  if (what === 'fuel') return (holds === 'petrol' || holds === 'diesel') && feeds !== 'nothing';
  return what === 'water' ? holds === 'fresh' : what === 'pumpOut' && holds === 'waste';
};

/** @param capacityL of the tank that was filled @param words what to say of what is wrong */
const spentForm = (what: What, capacityL: number, currency: string, words: Record<'litres' | 'sum' | 'text', string>) =>
  z.object({ litres: z.string(), sum: z.string(), text: z.string().check(z.maxLength(1000)) }).check((context) => {
    const { litres, sum, text } = context.value;
    const no = (path: 'litres' | 'sum' | 'text') => context.issues.push({ code: 'custom', path: [path], message: words[path], input: '' });
    const filled = typedNumber(litres);
    if (what === 'fuel' && !(filled > 0 && filled <= capacityL)) no('litres');
    const minor = sumOf(sum, currency);
    if (sum.trim() === '' ? what === 'other' : minor === undefined || minor <= 0) no('sum');
    if (what === 'other' && text.trim() === '') no('text');
  });

const Spent = () => {
  const { t } = useTranslation();
  const snack = useSnack();
  const { view, pack, language, shut } = useRenting();
  const { prices, book, hire } = pack;
  const offered = WHATS.filter((one) => one === 'other' || book.tanks.some((tank) => isFor(one, tank)));
  const [what, setWhat] = useState<What>(offered[0] ?? 'other');
  const [tankId, setTankId] = useState<string>();
  const [brim, setBrim] = useState(true);
  const [photos, setPhotos] = useState<string[]>([]);
  const photo = usePhoto(hire.id, { judge: true });
  const tanks = book.tanks.filter((tank) => isFor(what, tank));
  const tank = tanks.find(({ id }) => id === tankId) ?? tanks[0];
  const capacityL = tank?.capacityL ?? 0;
  const schema = useMemo(
    () =>
      spentForm(what, capacityL, prices.currency, {
        litres: t('spent.badLitres', { max: measures().litres(capacityL, 1) }),
        sum: t('spent.badSum'),
        text: t('spent.textWanted'),
      }),
    [what, capacityL, prices.currency, t],
  );
  const form = useSchemaForm(schema, { litres: '', sum: '', text: '' });
  const pick = (next: What) => {
    setWhat(next);
    setTankId(undefined);
    form.clearErrors();
  };
  const keep = form.handleSubmit(async ({ litres, sum, text }) => {
    const minor = sumOf(sum, prices.currency);
    const receipt = (kind: 'pumpOut' | 'other', words: string): EventBody[] =>
      minor === undefined ? [] : [{ kind: 'receiptShown', receipt: uuidv7(), what: kind, amountMinor: minor, text: words, photos }];
    const bodies: EventBody[] =
      what === 'other'
        ? receipt('other', text.trim())
        : !tank
          ? []
          : what === 'fuel'
            ? [
                {
                  kind: 'fuelFilled',
                  tank: tank.id,
                  litres: typedNumber(litres),
                  brim,
                  by: 'renter',
                  ...(minor === undefined ? {} : { paidMinor: minor }),
                  ...(photos.length > 0 ? { photos } : {}),
                },
              ]
            : [
                { kind: 'tankServed', tank: tank.id, did: what === 'pumpOut' ? 'emptied' : 'filled' },
                ...(what === 'pumpOut' ? receipt('pumpOut', text.trim() || say(tank.name, language)) : []),
              ];
    const added = await view.add(bodies);
    form.reset();
    setPhotos([]);
    snack({ text: t('spent.kept'), undo: () => void view.undo(added) });
  });
  const pays = what !== 'water';
  return (
    <Page
      title={t('spent.title')}
      footer={shut ? undefined : <Button mode="contained" label={t('spent.keep')} onPress={() => void keep()} testID="keep-spent" />}
    >
      {shut ? (
        <Notice kind="ask" title={t('spent.ended')} />
      ) : (
        <>
          <Choices
            label={t('spent.what')}
            options={offered}
            labelOf={(one) => t(`spent.whats.${one}`)}
            value={what}
            onChange={pick}
            testID="spent"
          />
          <Card style={{ gap: 12 }}>
            <Small>{t(`spent.why.${what}`)}</Small>
            {tanks.length > 1 ? (
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('spent.tank')}>
                {tanks.map((one) => (
                  <ChoiceChip
                    key={one.id}
                    label={say(one.name, language)}
                    on={one.id === tank?.id}
                    onPress={() => setTankId(one.id)}
                    testID={`tank-${one.id}`}
                  />
                ))}
              </View>
            ) : null}
            {what === 'fuel' ? (
              <>
                <FormField form={form} name="litres" label={t('spent.litres')} numeric unit="L" most={12} testID="spent-litres" />
                <CheckboxRow label={t('spent.brim')} on={brim} onChange={setBrim} testID="spent-brim" />
                {brim && book.gauges.some(({ reads, tank: of }) => reads === 'totaliser' && of === tank?.id) ? (
                  <Small>{t('spent.brimWhy')}</Small>
                ) : null}
              </>
            ) : null}
            {pays ? (
              <SumField
                form={form}
                name="sum"
                label={t(what === 'other' ? 'spent.sumWanted' : 'spent.sum')}
                currency={prices.currency}
                testID="spent-sum"
              />
            ) : null}
            {what === 'other' || what === 'pumpOut' ? (
              <FormField form={form} name="text" label={t('spent.text')} lines={2} most={1000} testID="spent-text" />
            ) : null}
            {pays ? (
              <>
                <PhotoRow
                  hireId={hire.id}
                  photos={photos}
                  name={t('spent.picture')}
                  label={t('spent.picture')}
                  busy={photo.busy}
                  onPick={(source) => void photo.take(source, (sha) => setPhotos((now) => [...new Set([...now, sha])]))}
                  testID="spent-photo"
                />
                <PhotoTaking photo={photo} />
              </>
            ) : null}
          </Card>
        </>
      )}
      <SoFar />
    </Page>
  );
};

/** What was entered on the way so far, the newest first, each with a way to take it back. */
const SoFar = () => {
  const { t } = useTranslation();
  const now = useNow(60_000);
  const { view, pack, record, language, shut } = useRenting();
  const money = useMoney(pack.prices.currency);
  const nameOf = (id: string) => say(pack.book.tanks.find((tank) => tank.id === id)?.name ?? { en: id }, language);
  const sum = (minor: number | undefined) => (minor === undefined ? '' : `, ${money(minor)}`);
  const rows: { stored: StoredEvent; text: string }[] = [
    ...currentUnder(record, ['filled'], fuelFilled).flatMap(({ currentEvents }) =>
      currentEvents.flatMap((stored) => {
        const { tank, litres, brim, by, paidMinor } = stored.event.body;
        const words = { name: nameOf(tank), litres: measures().litres(litres, 1) };
        return by === 'renter' ? [{ stored, text: `${t(brim ? 'spent.filledBrim' : 'spent.filled', words)}${sum(paidMinor)}` }] : [];
      }),
    ),
    ...currentUnder(record, ['served'], tankServed).flatMap(({ currentEvents }) =>
      currentEvents.map((stored) => {
        const { tank, did } = stored.event.body;
        return { stored, text: t(did === 'filled' ? 'spent.servedFull' : 'spent.servedEmpty', { name: nameOf(tank) }) };
      }),
    ),
    ...currentUnder(record, ['receipt'], receiptShown).flatMap(({ currentEvents }) =>
      currentEvents.map((stored) => ({ stored, text: `${stored.event.body.text}${sum(stored.event.body.amountMinor)}` })),
    ),
  ].sort((a, b) => (a.stored.event.at < b.stored.event.at ? 1 : -1));
  return (
    <Card style={{ gap: 8 }}>
      <SlabBold size={21} heading={2}>
        {t('spent.soFar')}
      </SlabBold>
      {rows.length === 0 ? <Small>{t('spent.nothing')}</Small> : null}
      {rows.map(({ stored, text }) => (
        <View key={stored.event.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <Body>{text}</Body>
            <Small>{whenOf(stored.event.at, pack.base.zone, now, language)}</Small>
          </View>
          {shut || stored.actor.role !== 'renter' ? null : (
            <Button
              mode="outlined"
              label={t('spent.takeBack')}
              onPress={() => void view.undo([stored])}
              testID={`take-back-${stored.event.id}`}
            />
          )}
        </View>
      ))}
    </Card>
  );
};
