import type { PriceList } from '@quay/core/settlement/prices';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import type { Form } from '../../../ui/controls/form';
import { useTones } from '../../../ui/theme';
import { Body, Bold, Small } from '../../../ui/words';
import { SumField } from '../SumField';
import type { PricesRead, PricesTyped } from './pricesForm';

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
            <Small size={14}>{`${t(`prices.per.${per}`)} · ${usedBy[code]?.join(', ') ?? t('prices.nobody')}`}</Small>
          </View>
          <View style={{ width: 160 }}>
            <SumField
              form={form}
              name={`amounts.${code}`}
              label={`${say(name, i18n.language)}, ${t(`prices.per.${per}`)}`}
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
