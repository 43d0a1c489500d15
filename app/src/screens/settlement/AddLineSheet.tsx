import type { EventBody } from '@quay/core/record/event';
import { say } from '@quay/core/fleet/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import type { HireView } from '../../data/hire';
import { useMe } from '../../data/session';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { useMoney } from '../../ui/money';
import { Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useSnack } from '../../ui/snack';
import { Bold } from '../../ui/words';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import { SumField, sumOf } from './SumField';

const KINDS = ['breach', 'callOut', 'pumpOut', 'other', 'otherReceipt'] as const;
type Kind = (typeof KINDS)[number];
/** Where the list is likely to have a row for it. */
const USUAL: Partial<Record<Kind, string>> = { breach: 'breach', callOut: 'call-out' };

/** So many rows of the list are offered at once; the rest is found by name. */
const OFFERED = 6;

/** What is charged beside what was found on the boat, and receipts that the renter holds. */
export const AddLineSheet = ({ view, onClose }: { view: HireView; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const snack = useSnack();
  const { hire, prices } = view.pack;
  const money = useMoney(prices.currency);
  const [kind, setKind] = useState<Kind>();
  const [code, setCode] = useState<string>();
  const [find, setFind] = useState('');
  const [sum, setSum] = useState('');
  const [text, setText] = useState('');
  const [photos, setPhotos] = useState<string[]>([]);
  const [sure, setSure] = useState<number>();
  const photo = usePhoto(hire.id, { judge: true });
  const receipt = kind === 'pumpOut' || kind === 'otherReceipt';
  const clause = kind === 'breach' && prices.breach !== 'priced' ? prices.breach : undefined;
  const rows = prices.prices.filter(
    ({ per, mark, mends }) => (per === 'job' || per === 'each' || per === 'day') && !mark && mends === undefined,
  );
  const named = rows.filter((row) => say(row.name, i18n.language).toLocaleLowerCase().includes(find.trim().toLocaleLowerCase()));
  const offered =
    kind === 'other'
      ? [...named.filter((row) => row.code === code), ...named.filter((row) => row.code !== code)].slice(0, OFFERED)
      : rows.filter((row) => row.code === code || (kind !== undefined && row.code === USUAL[kind]));
  const minor = sumOf(sum, prices.currency);
  const priced = clause !== undefined || (!receipt && code !== undefined) || (minor !== undefined && minor > 0);
  const manager = useMe().data?.staff.role === 'manager';
  const { handMinor, askMinor } = view.pack.operator.freeLine;
  const free = !receipt && code === undefined && clause === undefined ? minor : undefined;
  const tooMuch = free !== undefined && !manager && free > handMinor;
  // A large sum is said once more, in full, before it stands.
  const asks = free !== undefined && manager && free > askMinor && sure !== free;
  const fits = kind !== undefined && text.trim() !== '' && priced && !tooMuch;
  const pick = (next: Kind) => {
    setKind(next);
    const usual = USUAL[next];
    setCode(prices.prices.some((price) => price.code === usual) ? usual : undefined);
    setSum('');
  };
  const keep = async () => {
    if (!fits) return;
    if (asks) {
      setSure(free);
      return;
    }
    const words = { text: text.trim().slice(0, 1000), photos };
    const body: EventBody = receipt
      ? { kind: 'receiptShown', receipt: uuidv7(), what: kind === 'pumpOut' ? 'pumpOut' : 'other', amountMinor: minor!, ...words }
      : {
          kind: 'extraNoted',
          extra: uuidv7(),
          what: kind === 'breach' || kind === 'callOut' ? kind : 'other',
          ...(code !== undefined && clause === undefined ? { price: code } : {}),
          ...(code === undefined && clause === undefined ? { amountMinor: minor! } : {}),
          ...words,
        };
    const held = await view.add([body]);
    snack({ text: t('settle.added'), undo: () => void view.undo(held) });
    onClose();
  };
  return (
    <Sheet
      title={t('settle.add')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          {sure !== undefined && sure === free ? <Notice kind="ask" title={t('settle.sureOf', { sum: money(sure) })} /> : null}
          <Go
            label={sure !== undefined && sure === free ? t('settle.addSum', { sum: money(sure) }) : t('settle.add')}
            tone={sure !== undefined && sure === free ? 'mari' : 'weed'}
            disabled={!fits}
            onPress={() => void keep()}
            testID="add-go"
          />
        </>
      }
    >
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.addWhich')}>
        {KINDS.map((one) => (
          <Chip key={one} label={t(`settle.addWhat.${one}`)} on={kind === one} onPress={() => pick(one)} testID={`add-${one}`} />
        ))}
      </View>
      {clause ? <Notice kind="ask" title={t(`settle.clause.${clause}`)} /> : null}
      {kind !== undefined && !receipt && clause === undefined ? (
        <View style={{ gap: 6 }}>
          <Bold>{t('settle.byList')}</Bold>
          {kind === 'other' ? <Field label={t('settle.find')} value={find} onChange={setFind} testID="add-find" /> : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('settle.byList')}>
            {offered.map((row) => (
              <Chip
                key={row.code}
                label={`${say(row.name, i18n.language)} ${money(row.amountMinor)}`}
                on={code === row.code}
                onPress={() => setCode(row.code)}
                testID={`price-${row.code}`}
              />
            ))}
            <Chip label={t('settle.freely')} on={code === undefined} tone="mari" onPress={() => setCode(undefined)} testID="price-freely" />
          </View>
        </View>
      ) : null}
      {receipt || (kind !== undefined && clause === undefined && code === undefined) ? (
        <SumField
          label={t('settle.sum')}
          value={sum}
          onChange={setSum}
          currency={prices.currency}
          fault={
            sum.trim() !== '' && !(minor !== undefined && minor > 0)
              ? t('settle.badSum')
              : tooMuch
                ? t('settle.overHand', { sum: money(handMinor) })
                : undefined
          }
          testID="add-sum"
        />
      ) : null}
      {kind === undefined ? null : (
        <>
          <Field label={t(receipt ? 'settle.receiptText' : 'settle.text')} value={text} onChange={setText} lines={2} testID="add-text" />
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
    </Sheet>
  );
};
