import type { Look } from '@quay/contract/exchange';
import { COLUMN_FIELDS, DAY_ORDERS, type Reading } from '@quay/core/booking/reading';
import { readClock } from '@quay/core/time/typedDay';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Choices } from '../../../ui/controls/choices';
import { CountStepper } from '../../../ui/controls/countStepper';
import { PickField } from '../../../ui/pickField';
import { TextField } from '../../../ui/controls/textField';
import { Bold, SlabBold, Small } from '../../../ui/words';
import { missingColumns, withColumn } from './reading';

type Base = { id: string; name: string; boats: readonly { id: string; name: string }[] };

/** How a file is to be read: which column is what, whose boats, and what holds where it says nothing. */
export const ReadingCard = ({
  look,
  reading,
  bases,
  onChange,
}: {
  look: Look;
  reading: Reading;
  bases: readonly Base[];
  onChange: (reading: Reading) => void;
}) => {
  const { t } = useTranslation();
  const { looked } = look;
  // What is in no column is looked at by whoever misses it.
  const [all, setAll] = useState(false);
  const missing = missingColumns(reading);
  const shown =
    reading.kind === 'table' ? COLUMN_FIELDS.filter((field) => all || reading.columns[field] !== undefined || missing.includes(field)) : [];
  const boats = bases.find(({ id }) => id === reading.base)?.boats ?? [];
  const clock = (which: 'from' | 'to') => (
    <Hour
      key={`${which}/${reading.base}`}
      label={t(`exchange.clock.${which}`)}
      value={reading.clocks[which]}
      onChange={(at) => onChange({ ...reading, clocks: { ...reading.clocks, [which]: at } })}
      testID={`clock-${which}`}
    />
  );
  return (
    <Card style={{ gap: 12 }}>
      <SlabBold size={22} heading={2}>
        {t('exchange.howToRead')}
      </SlabBold>
      {bases.length > 1 ? (
        <Choices
          label={t('exchange.base')}
          options={bases.map(({ id }) => id)}
          labelOf={(id) => bases.find((one) => one.id === id)?.name ?? id}
          value={reading.base}
          onChange={(base) => onChange({ ...reading, base, boat: null })}
          testID="base"
        />
      ) : null}
      <PickField
        label={t('exchange.whichBoat')}
        none={t(looked.kind === 'table' ? 'exchange.boatByColumn' : 'exchange.boatByName')}
        options={boats}
        value={reading.boat ?? undefined}
        onChange={(boat) => onChange({ ...reading, boat: boat ?? null })}
        testID="only-boat"
      />
      {looked.kind === 'table' && reading.kind === 'table' ? (
        <>
          <Bold>{t('exchange.columns')}</Bold>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {shown.map((field) => (
              <View key={field} style={{ flexBasis: 220, flexGrow: 1 }}>
                <PickField
                  label={t(`exchange.field.${field}`)}
                  none={t('exchange.noColumn')}
                  options={looked.heads
                    .filter((head) => head !== '')
                    .map((head) => ({
                      id: head,
                      name: head,
                      more: looked.samples
                        .map((cells) => cells[looked.heads.indexOf(head)] ?? '')
                        .filter(Boolean)
                        .join(' · '),
                    }))}
                  value={reading.columns[field]}
                  onChange={(head) => onChange(withColumn(reading, field, head))}
                  testID={`column-${field}`}
                />
              </View>
            ))}
          </View>
          {shown.length < COLUMN_FIELDS.length ? (
            <Button
              mode="outlined"
              label={t('exchange.otherColumns', { count: COLUMN_FIELDS.length - shown.length })}
              onPress={() => setAll(true)}
              testID="other-columns"
            />
          ) : null}
          {looked.days === null ? (
            <>
              <Bold>{t('exchange.daysWhich')}</Bold>
              <Choices
                label={t('exchange.daysWhich')}
                options={DAY_ORDERS}
                labelOf={(one) => t(`exchange.days.${one}`)}
                value={reading.days}
                onChange={(days) => onChange({ ...reading, days })}
                testID="days"
              />
            </>
          ) : null}
        </>
      ) : null}
      <Small>{t('exchange.clocksWhy')}</Small>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {clock('from')}
        {clock('to')}
      </View>
      <CountStepper
        label={t('exchange.adults')}
        fewer={t('newHire.fewer.adults')}
        more={t('newHire.more.adults')}
        value={reading.adults}
        least={1}
        most={60}
        onChange={(adults) => onChange({ ...reading, adults })}
        testID="usual-adults"
      />
    </Card>
  );
};

/** An hour of a clock; what is none yet is said and changes nothing. */
const Hour = ({ label, value, onChange, testID }: { label: string; value: string; onChange: (clock: string) => void; testID: string }) => {
  const { t } = useTranslation();
  const [text, setText] = useState(value);
  const read = readClock(text);
  return (
    <View style={{ flex: 1 }}>
      <TextField
        label={label}
        value={text}
        most={5}
        fault={read === undefined ? t('change.badClock') : undefined}
        onChange={(next) => {
          setText(next);
          const clock = readClock(next);
          if (clock !== undefined) onChange(clock);
        }}
        testID={testID}
      />
    </View>
  );
};
