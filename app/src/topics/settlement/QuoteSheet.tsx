import { currentAt } from '@quay/core/events/record';
import type { Line } from '@quay/core/settlement/statement';
import { writeMinor } from '@quay/core/money/minor';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import type { HireView } from '../../local/hire';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import * as typed from '../../ui/controls/typed';
import { useLineText } from './lineWords';
import { SumField, sumIn } from './SumField';

/** A manager names what a line comes to; what the list says stays beside it. */
export const QuoteSheet = ({ view, line, onClose }: { view: HireView; line: Line; onClose: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const { currency } = view.pack.prices;
  const schema = useMemo(
    () => z.object({ sum: sumIn(currency, (minor) => minor >= 0, 'settle.badSum'), why: typed.words(500, 'settle.textWanted') }),
    [currency],
  );
  const form = useSchemaForm(
    schema,
    { sum: line.amountMinor === undefined ? '' : writeMinor(line.amountMinor, currency), why: '' },
    'whileTyped',
  );
  const before = currentAt(view.record, ['quoted', line.key]);
  const keep = form.handleSubmit(async ({ sum, why }) => {
    const added = await view.add([{ kind: 'lineQuoted', line: line.key, amountMinor: sum, why }]);
    snack({ text: t('settle.quoted'), undo: () => void view.undo(added) });
    onClose();
  });
  return (
    <ModalSheet
      title={useLineText(view.pack.prices)(line).title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          <Button mode="contained" label={t('settle.quote')} onPress={() => void keep()} testID="quote-go" />
          {before ? (
            <Button
              mode="outlined"
              label={t('settle.quoteUndo')}
              onPress={() => void view.undo(before.currentEvents).then(onClose)}
              testID="quote-undo"
            />
          ) : null}
        </>
      }
    >
      <SumField form={form} name="sum" label={t('settle.sum')} currency={currency} testID="quote-sum" />
      <FormField form={form} name="why" label={t('settle.quoteWhy')} lines={2} testID="quote-why" />
    </ModalSheet>
  );
};
