import type { EventBody } from '@quay/core/record/event';
import type { PriceList } from '@quay/core/settlement/prices';
import { say } from '@quay/core/words/words';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { v7 as uuidv7 } from 'uuid';
import type { HireView } from '../../local/hire';
import { useMe } from '../../local/session';
import { Notice } from '../../ui/board';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Bold } from '../../ui/words';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import { SumField, sumOf } from './SumField';

const KINDS = ['breach', 'callOut', 'pumpOut', 'other', 'otherReceipt'] as const;
type Kind = (typeof KINDS)[number];
/** Where the list is likely to have a row for it. */
const USUAL: Partial<Record<Kind, string>> = { breach: 'breach', callOut: 'call-out' };

const isReceipt = (kind: Kind | ''): boolean => kind === 'pumpOut' || kind === 'otherReceipt';

/** @param most what whoever adds it may, minor units @param over what to say of more */
const lineForm = ({ currency, breach, most, over }: { currency: string; breach: PriceList['breach']; most: number; over: string }) =>
  z
    .object({
      kind: z.enum(['', ...KINDS]),
      code: z.string(),
      find: z.string(),
      sum: z.string(),
      text: z.string().check(z.maxLength(1000)),
    })
    .check((context) => {
      const { kind, code, sum, text } = context.value;
      const no = (message: string, at = 'sum') => context.issues.push({ code: 'custom', path: [at], message, input: sum });
      if (text.trim() === '') no('settle.textWanted', 'text');
      if (kind === '' || (kind === 'breach' && breach !== 'priced') || (!isReceipt(kind) && code !== '')) return;
      const minor = sumOf(sum, currency);
      if (minor === undefined || minor <= 0) no('settle.badSum');
      else if (!isReceipt(kind) && minor > most) no(over);
    });

/** So many rows of the list are offered at once; the rest is found by name. */
const OFFERED = 6;

/** What is added to the record. @param byClause nothing is charged beyond what the operator's clause says */
const bodyOf = (
  { kind, code, sum, text }: { kind: Kind; code: string; sum: string; text: string },
  byClause: boolean,
  currency: string,
  photos: string[],
): EventBody => {
  const amountMinor = sumOf(sum, currency);
  const words = { text: text.trim(), photos };
  if (isReceipt(kind))
    return {
      kind: 'receiptShown',
      receipt: uuidv7(),
      what: kind === 'pumpOut' ? 'pumpOut' : 'other',
      amountMinor: amountMinor ?? 0,
      ...words,
    };
  return {
    kind: 'extraNoted',
    extra: uuidv7(),
    what: kind === 'breach' || kind === 'callOut' ? kind : 'other',
    ...(byClause ? {} : code === '' ? { amountMinor: amountMinor ?? 0 } : { price: code }),
    ...words,
  };
};

/** What is charged beside what was found on the boat, and receipts that the renter holds. */
export const AddLineSheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const snack = useSnack();
  const { hire, prices } = view.pack;
  const money = useMoney(prices.currency);
  const manager = useMe().data?.staff.role === 'manager';
  const { handMinor, askMinor } = view.pack.operator.freeLine;
  const schema = useMemo(() => {
    const most = manager ? Infinity : handMinor;
    const over = t('settle.overHand', { sum: money(handMinor) });
    return lineForm({ currency: prices.currency, breach: prices.breach, most, over });
  }, [prices, manager, handMinor, money, t]);
  const form = useSchemaForm(schema, { kind: '', code: '', find: '', sum: '', text: '' }, 'whileTyped');
  const [kind, code, find, sum] = form.watch(['kind', 'code', 'find', 'sum']);
  const [photos, setPhotos] = useState<string[]>([]);
  const [sure, setSure] = useState<number>();
  const photo = usePhoto(hire.id, { judge: true });
  const receipt = isReceipt(kind);
  const clause = kind === 'breach' && prices.breach !== 'priced' ? prices.breach : undefined;
  const rows = prices.prices.filter(
    ({ per, mark, mends }) => (per === 'job' || per === 'each' || per === 'day') && !mark && mends === undefined,
  );
  const named = rows.filter((row) => say(row.name, i18n.language).toLocaleLowerCase().includes(find.trim().toLocaleLowerCase()));
  const offered =
    kind === 'other'
      ? [...named.filter((row) => row.code === code), ...named.filter((row) => row.code !== code)].slice(0, OFFERED)
      : rows.filter((row) => row.code === code || (kind !== '' && row.code === USUAL[kind]));
  const freely = kind !== '' && clause === undefined && (receipt || code === '');
  const minor = sumOf(sum, prices.currency);
  // A large sum is said once more, in full, before it stands.
  const asks = freely && !receipt && manager && minor !== undefined && minor > askMinor && sure !== minor;
  const confirms = sure !== undefined && freely && sure === minor;
  const pick = (next: Kind) => {
    const usual = USUAL[next];
    form.setValue('kind', next);
    form.setValue('code', prices.prices.some((price) => price.code === usual) ? (usual ?? '') : '');
    form.setValue('sum', '');
    form.clearErrors();
  };
  const keep = form.handleSubmit(async (entered) => {
    if (asks) {
      setSure(minor);
      return;
    }
    const added = await view.add([bodyOf({ ...entered, kind: entered.kind as Kind }, clause !== undefined, prices.currency, photos)]);
    snack({ text: t('settle.added'), undo: () => void view.undo(added) });
    onClose();
  });
  return (
    <ModalSheet
      title={t('settle.add')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          {confirms ? <Notice kind="ask" title={t('settle.sureOf', { sum: money(sure) })} /> : null}
          <Button
            mode="contained"
            label={confirms ? t('settle.addSum', { sum: money(sure) }) : t('settle.add')}
            tone={confirms ? 'warning' : 'primary'}
            disabled={kind === ''}
            onPress={() => void keep()}
            testID="add-go"
          />
        </>
      }
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.addWhich')}>
        {KINDS.map((one) => (
          <ChoiceChip key={one} label={t(`settle.addWhat.${one}`)} on={kind === one} onPress={() => pick(one)} testID={`add-${one}`} />
        ))}
      </View>
      {clause ? <Notice kind="ask" title={t(`settle.clause.${clause}`)} /> : null}
      {kind !== '' && !receipt && clause === undefined ? (
        <View style={{ gap: 6 }}>
          <Bold>{t('settle.byList')}</Bold>
          {kind === 'other' ? <FormField form={form} name="find" label={t('settle.find')} most={100} testID="add-find" /> : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byList')}>
            {offered.map((row) => (
              <ChoiceChip
                key={row.code}
                label={`${say(row.name, i18n.language)} ${money(row.amountMinor)}`}
                on={code === row.code}
                onPress={() => form.setValue('code', row.code)}
                testID={`price-${row.code}`}
              />
            ))}
            <ChoiceChip
              label={t('settle.freely')}
              on={code === ''}
              tone="warning"
              onPress={() => form.setValue('code', '')}
              testID="price-freely"
            />
          </View>
        </View>
      ) : null}
      {freely ? <SumField form={form} name="sum" label={t('settle.sum')} currency={prices.currency} testID="add-sum" /> : null}
      {kind === '' ? null : (
        <>
          <FormField
            form={form}
            name="text"
            label={t(receipt ? 'settle.receiptText' : 'settle.text')}
            lines={2}
            most={1000}
            testID="add-text"
          />
          <PhotoRow
            hireId={hire.id}
            photos={photos}
            name={t('settle.photo')}
            label={t('settle.photo')}
            busy={photo.busy}
            onPick={(source) => void photo.take(source, (sha) => setPhotos((now) => [...new Set([...now, sha])]))}
            testID="add-photo"
          />
          <PhotoTaking photo={photo} />
        </>
      )}
    </ModalSheet>
  );
};
