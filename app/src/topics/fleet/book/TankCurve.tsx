import { curveFromFill, type FillStep, tableFrom, type TableFault } from '@quay/core/fuel/table';
import { monotone } from '@quay/core/geometry/interpolate';
import { parse } from 'papaparse';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import Svg, { Circle, Path } from 'react-native-svg';
import { Card, Tag } from '../../../ui/board';
import { TextField } from '../../../ui/controls/textField';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { figure } from '../../../ui/format';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { useTones } from '../../../ui/theme';
import * as typed from '../../../ui/controls/typed';
import { measures } from '../../../ui/units';
import { Body, Bold, Small } from '../../../ui/words';

type Rows = readonly (readonly [number, number])[];

/** What stands in the file, where it is a table at all. */
const rowsIn = (text: string): Rows | undefined => {
  if (text.trim() === '') return undefined;
  try {
    const value = JSON.parse(text) as unknown;
    const isRow = (row: unknown): row is [number, number] =>
      Array.isArray(row) && row.length === 2 && row.every((n) => typeof n === 'number');
    return Array.isArray(value) && value.every(isRow) ? value : undefined;
  } catch {
    return undefined;
  }
};

/**
 * A table of a tank: drawn, taken from a file of two columns, or found by a fill that is stopped now and then to read the
 * gauge. A needle's table has shares of the dial and of the tank, a strapping table millimetres and litres.
 */
export const TankCurve = ({
  field,
  label,
  text,
  capacityL,
  onSet,
}: {
  field: 'needleTable' | 'strapping';
  label: string;
  text: string;
  /** As it is typed now; nothing while that is no number. */
  capacityL: number | undefined;
  onSet: (text: string) => void;
}) => {
  const { t } = useTranslation();
  const [way, setWay] = useState<'file' | 'fill'>();
  const [pasted, setPasted] = useState('');
  const needle = field === 'needleTable';
  const rows = rowsIn(text);
  const take = (next: Rows) => {
    onSet(JSON.stringify(next));
    setWay(undefined);
    setPasted('');
  };
  const read = useMemo(() => {
    if (pasted.trim() === '') return undefined;
    const { data } = parse<string[]>(pasted.trim(), { delimitersToGuess: [';', '\t', ','] });
    return tableFrom(data, needle ? [1, 1] : [5000, capacityL ?? Infinity]);
  }, [pasted, needle, capacityL]);
  const say = (fault: TableFault) =>
    fault.is === 'tooShort' ? t('curve.tooShort') : t('curve.line', { line: fault.line, what: t(`curve.fault.${fault.is}`) });
  return (
    <Card style={{ gap: 10 }}>
      <Bold size={19}>{label}</Bold>
      {rows && rows.length > 1 ? (
        <>
          <Curve rows={rows} />
          <Small>
            {t(needle ? 'curve.needleSays' : 'curve.strapSays', {
              count: rows.length,
              low: needle ? figure(rows[0]![1] * 100) : measures().litres(rows[0]![1], 1),
            })}
          </Small>
        </>
      ) : (
        <Body>{t(needle ? 'curve.straight' : 'curve.none')}</Body>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={label}>
        <ChoiceChip
          label={t('curve.file')}
          on={way === 'file'}
          onPress={() => setWay(way === 'file' ? undefined : 'file')}
          testID={`${field}-file`}
        />
        <ChoiceChip
          label={t('curve.fill')}
          on={way === 'fill'}
          onPress={() => setWay(way === 'fill' ? undefined : 'fill')}
          testID={`${field}-fill`}
        />
        {rows ? <Button mode="outlined" label={t('curve.drop')} onPress={() => onSet('')} testID={`${field}-drop`} /> : null}
      </View>
      {way === 'file' ? (
        <>
          <TextField
            label={t(needle ? 'curve.pasteNeedle' : 'curve.pasteStrap')}
            value={pasted}
            onChange={setPasted}
            lines={6}
            most={20_000}
            testID={`${field}-paste`}
          />
          {read && !read.ok
            ? read.faults.slice(0, 5).map((fault, i) => (
                <Tag key={i} kind="stop">
                  {say(fault)}
                </Tag>
              ))
            : null}
          {read?.ok ? (
            <>
              <Curve rows={read.rows} />
              <Button
                mode="outlined"
                label={t('curve.take', { count: read.rows.length })}
                onPress={() => take(read.rows)}
                testID={`${field}-take`}
              />
            </>
          ) : null}
        </>
      ) : null}
      {way === 'fill' ? <GuidedFill needle={needle} capacityL={capacityL} onTake={take} testID={field} /> : null}
    </Card>
  );
};

/** Pump a little, read both, write both down: the table comes out of it. */
const GuidedFill = ({
  needle,
  capacityL,
  onTake,
  testID,
}: {
  needle: boolean;
  capacityL: number | undefined;
  onTake: (rows: Rows) => void;
  testID: string;
}) => {
  const { t } = useTranslation();
  const [steps, setSteps] = useState<readonly FillStep[]>([]);
  const [from, setFrom] = useState<'empty' | 'endsAtBrim'>('empty');
  const last = steps[steps.length - 1];
  const schema = useMemo(() => {
    const most = capacityL ?? Infinity;
    const least = last?.pumpedL;
    const tooMuch = t('curve.tooMuch', { max: measures().litres(most, 1) });
    const reads = typed.number({ from: 0, to: Infinity }, 'fleet.fault.number');
    return z.object({
      pumped: reads.check(
        z.refine((litres) => litres <= most, tooMuch),
        z.refine((litres) => least === undefined || litres > least, t('curve.back', { min: measures().litres(least ?? 0, 1) })),
      ),
      shown: typed.number({ from: 0, to: needle ? 16 : Infinity }, 'curve.offScale'),
    });
  }, [capacityL, last, needle, t]);
  const form = useSchemaForm(schema, { pumped: '', shown: '' }, 'whileTyped');
  if (capacityL === undefined) return <Tag kind="stop">{t('curve.capacityFirst')}</Tag>;
  const curve = curveFromFill(steps, capacityL, from);
  const rows: Rows = needle ? curve.map(([x, y]) => [x, Math.round((y / capacityL) * 1e4) / 1e4]) : curve;
  const add = () =>
    void form.handleSubmit(({ pumped, shown }) => {
      setSteps([...steps, { pumpedL: pumped, shown: needle ? Math.round((shown / 16) * 1e4) / 1e4 : shown }]);
      form.reset({ pumped: '', shown: '' });
    })();
  return (
    <View style={{ gap: 8 }}>
      <Small>{t('curve.fillWhy')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('curve.from')}>
        {(['empty', 'endsAtBrim'] as const).map((one) => (
          <ChoiceChip key={one} label={t(`curve.${one}`)} on={from === one} onPress={() => setFrom(one)} testID={`from-${one}`} />
        ))}
      </View>
      {steps.map((step, i) => (
        <View key={i} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          <Body style={{ flex: 1 }}>
            {t('curve.step', {
              l: measures().litres(step.pumpedL, 1),
              shown: needle ? `${Math.round(step.shown * 16 * 10) / 10}/16` : measures().said(step.shown, 'mm', 1),
            })}
          </Body>
          <Button
            mode="outlined"
            label={t('curve.dropStep')}
            onPress={() => setSteps(steps.filter((_, at) => at !== i))}
            testID={`drop-step-${i}`}
          />
        </View>
      ))}
      <FormField form={form} name="pumped" label={t('curve.pumped')} numeric unit="L" most={10} testID="pumped" />
      <FormField
        form={form}
        name="shown"
        label={t(needle ? 'curve.sixteenths' : 'curve.level')}
        numeric
        unit={needle ? '/16' : 'mm'}
        most={10}
        onEnter={add}
        testID="shown"
      />
      <Button mode="outlined" label={t('curve.add')} onPress={add} testID="add-step" />
      {rows.length > 1 ? (
        <>
          <Curve rows={rows} dots={steps.map(({ shown: x }) => x)} />
          <Button mode="outlined" label={t('curve.take', { count: rows.length })} onPress={() => onTake(rows)} testID={`${testID}-take`} />
        </>
      ) : null}
    </View>
  );
};

/** The table as it is read between its rows. */
const Curve = ({ rows, dots = [] }: { rows: Rows; dots?: readonly number[] }) => {
  const tones = useTones();
  const [w, h, pad] = [300, 130, 8];
  const [x0, x1] = [rows[0]![0], rows[rows.length - 1]![0]];
  const y1 = Math.max(...rows.map(([, y]) => y));
  if (!(x1 > x0) || !(y1 > 0) || rows.some(([x], i) => i > 0 && x <= rows[i - 1]![0])) return null;
  const curve = monotone(rows);
  const at = (x: number) => [pad + ((x - x0) / (x1 - x0)) * (w - 2 * pad), h - pad - (curve(x) / y1) * (h - 2 * pad)] as const;
  const path = Array.from({ length: 61 }, (_, i) => at(x0 + ((x1 - x0) * i) / 60)).map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`);
  return (
    <Svg width={w} height={h} viewBox={`0 0 ${w} ${h}`}>
      <Path d={`M${pad} ${pad}V${h - pad}H${w - pad}`} stroke={tones.soft} strokeWidth={2} fill="none" />
      <Path d={`M${path.join('L')}`} stroke={tones.primary} strokeWidth={4} fill="none" />
      {[...rows.map(([x]) => x), ...dots].map((x, i) => {
        const [cx, cy] = at(x);
        return <Circle key={i} cx={cx} cy={cy} r={4} fill={tones.ink} />;
      })}
    </Svg>
  );
};
