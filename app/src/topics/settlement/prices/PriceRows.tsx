import { isMeasure, MEASURES, pricedBy, type PriceList } from '@quay/core/settlement/prices';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import { Choices } from '../../../ui/controls/choices';
import type { Form } from '../../../ui/controls/form';
import { useTones } from '../../../ui/theme';
import { measures } from '../../../ui/units';
import { Body, Bold, Small } from '../../../ui/words';
import { SumField } from '../SumField';
import type { PricesRead, PricesTyped } from './pricesForm';

type Per = PriceList['prices'][number]['per'];

/** By what fuel is sold, where the operator speaks in another measure than litres, or has. */
const SoldBy = ({ form, code, per, name }: { form: Form<PricesTyped, PricesRead>; code: string; per: Per; name: string }) => {
  const { t } = useTranslation();
  const chosen = form.watch(`pers.${code}`);
  if (!isMeasure(per)) return null;
  const options = MEASURES.filter((one) => one === 'litre' || one === per || one === chosen || one === pricedBy(measures().units.volume));
  return options.length < 2 ? null : (
    <Choices
      label={t('prices.soldBy', { name })}
      options={options}
      labelOf={(one) => t(`prices.per.${one}`)}
      value={isMeasure(chosen) ? chosen : per}
      onChange={(one) => form.setValue(`pers.${code}`, one, { shouldDirty: true })}
      testID={`per-${code}`}
    />
  );
};

/** Prices, each with what it is charged for and the boats that name it. */
export const PriceRows = ({
  form,
  prices,
  usedBy,
  currency,
}: {
  form: Form<PricesTyped, PricesRead>;
  prices: PriceList['prices'];
  usedBy: Readonly<Record<string, readonly string[]>>;
  currency: string;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const pers = form.watch('pers');
  return (
    <Card style={{ gap: 2 }}>
      {prices.length === 0 ? <Body>{t('prices.none')}</Body> : null}
      {prices.map(({ code, name, per }) => (
        <View
          key={code}
          style={{
            flexDirection: 'row',
            alignItems: 'center',
            gap: 10,
            borderBottomWidth: 1,
            borderBottomColor: tones.line,
            paddingVertical: 6,
          }}
        >
          <View style={{ flex: 1, gap: 2 }}>
            <Bold>{say(name, i18n.language)}</Bold>
            <SoldBy form={form} code={code} per={per} name={say(name, i18n.language)} />
            <Small size={14}>{`${t(`prices.per.${pers[code] ?? per}`)} · ${usedBy[code]?.join(', ') ?? t('prices.nobody')}`}</Small>
          </View>
          <View style={{ width: 160 }}>
            <SumField
              form={form}
              name={`amounts.${code}`}
              label={`${say(name, i18n.language)}, ${t(`prices.per.${pers[code] ?? per}`)}`}
              beside
              currency={currency}
              testID={`price-${code}`}
            />
          </View>
        </View>
      ))}
    </Card>
  );
};
