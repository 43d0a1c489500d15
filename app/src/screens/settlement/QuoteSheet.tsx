import type { Line } from '@quay/core/settlement/statement';
import { writeMinor } from '@quay/core/money/minor';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../data/hire';
import { Field } from '../../ui/field';
import { Alt, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useSnack } from '../../ui/snack';
import { useLineText } from './lineWords';
import { SumField, sumOf } from './SumField';

/** A manager names what a line comes to; what the list says stays beside it. */
export const QuoteSheet = ({ view, line, onClose }: { view: HireView; line: Line; onClose: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const { currency } = view.pack.prices;
  const [sum, setSum] = useState(line.amountMinor === undefined ? '' : writeMinor(line.amountMinor, currency));
  const [why, setWhy] = useState('');
  const minor = sumOf(sum, currency);
  const bad = sum.trim() !== '' && (minor === undefined || minor < 0);
  const before = view.record.slots.get(`quoted/${line.key}`);
  const keep = async () => {
    if (minor === undefined || why.trim() === '') return;
    const held = await view.add([{ kind: 'lineQuoted', line: line.key, amountMinor: minor, why: why.trim() }]);
    snack({ text: t('settle.quoted'), undo: () => void view.undo(held) });
    onClose();
  };
  return (
    <Sheet
      title={useLineText(view.pack.prices)(line).title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          <Go
            label={t('settle.quote')}
            disabled={minor === undefined || minor < 0 || why.trim() === ''}
            onPress={() => void keep()}
            testID="quote-go"
          />
          {before ? (
            <Alt label={t('settle.quoteUndo')} onPress={() => void view.undo(before.standing).then(onClose)} testID="quote-undo" />
          ) : null}
        </>
      }
    >
      <SumField
        label={t('settle.sum')}
        value={sum}
        onChange={setSum}
        currency={currency}
        fault={bad ? t('settle.badSum') : undefined}
        testID="quote-sum"
      />
      <Field label={t('settle.quoteWhy')} value={why} onChange={setWhy} lines={2} testID="quote-why" />
    </Sheet>
  );
};
