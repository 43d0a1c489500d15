import { hullFigures } from '@quay/core/docking/hull';
import { type Fitted, fitTrials, trialFaults } from '@quay/core/docking/trials';
import type { Book } from '@quay/core/fleet/book';
import type { Hull, Trial } from '@quay/core/fleet/hull';
import { TRIAL_MOST } from '@quay/core/fleet/hullRanges';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { Card, Notice, Tag } from '../../../ui/board';
import { FormField, useSchemaForm } from '../../../ui/controls/form';
import { figure } from '../../../ui/format';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import * as typed from '../../../ui/controls/typed';
import { Body, Bold, Small } from '../../../ui/words';

/** What is asked of each trial, in the order it is read off the water. */
const ASKED = {
  stop: ['fromMs', 'seconds', 'metres'],
  coast: ['fromMs', 'toMs', 'seconds'],
  full: ['reachedMs'],
  drift: ['windMs', 'setMs'],
} as const satisfies { [K in Trial['is']]: readonly (keyof Extract<Trial, { is: K }>)[] };
const KINDS = Object.keys(ASKED) as Trial['is'][];
type Asked = (typeof ASKED)[Trial['is']][number];
const UNITS: Readonly<Record<Asked, string>> = {
  fromMs: 'm/s',
  toMs: 'm/s',
  reachedMs: 'm/s',
  windMs: 'm/s',
  setMs: 'm/s',
  seconds: 's',
  metres: 'm',
};
/** A stop may be timed or paced; of the others everything is needed. */
const MAY_MISS: readonly Asked[] = ['seconds', 'metres'];
/** A trial further from what the others say than this is pointed out. */
const ODD = 0.15;

const EMPTY: Record<Asked, string> = { fromMs: '', toMs: '', reachedMs: '', windMs: '', setMs: '', seconds: '', metres: '' };

/** One trial, of what is asked of its kind; the rest of the fields is not looked at. */
const trialOf = (is: Trial['is'], read: Partial<Record<Asked, number | undefined>>): Trial =>
  ({ is, ...Object.fromEntries(ASKED[is].flatMap((field) => (read[field] === undefined ? [] : [[field, read[field]]]))) }) as Trial;

const trialForm = (is: Trial['is'] | undefined) => {
  // More than nothing: whatever stood still measured nothing.
  const field = (name: Asked) => typed.maybeNumber({ from: Number.EPSILON, to: TRIAL_MOST[name] }, 'fleet.fault.range');
  return z
    .object({
      fromMs: field('fromMs'),
      toMs: field('toMs'),
      reachedMs: field('reachedMs'),
      windMs: field('windMs'),
      setMs: field('setMs'),
      seconds: field('seconds'),
      metres: field('metres'),
    })
    .check((context) => {
      if (is === undefined) return;
      const no = (at: Asked, message: string) => context.issues.push({ code: 'custom', path: [at], message, input: '' });
      const missing = ASKED[is].filter((name) => context.value[name] === undefined && !(is === 'stop' && MAY_MISS.includes(name)));
      for (const name of missing) no(name, 'fleet.fault.needed');
      if (missing.length > 0) return;
      const [fault] = trialFaults([trialOf(is, context.value)]);
      if (fault) no(ASKED[is].at(-1)!, `fleet.trial.${fault.reason}`);
    });
};

/** Trials on the water, one after the other, and what they say of her figures by least squares. */
export const HullTrials = ({
  text,
  given,
  kind,
  plan,
  onSet,
  onFigures,
}: {
  /** The list as it stands in the file. */
  text: string;
  given: Hull;
  kind: Book['kind'] | undefined;
  plan: Book['plan'] | undefined;
  onSet: (text: string) => void;
  onFigures: (figures: Partial<Record<Fitted, string>>) => void;
}) => {
  const { t } = useTranslation();
  const [adding, setAdding] = useState<Trial['is']>();
  const form = useSchemaForm(trialForm(adding), EMPTY, 'whileTyped');
  const trials = useMemo(() => (text.trim() === '' ? [] : (JSON.parse(text) as Trial[])), [text]);
  const fit = useMemo(() => {
    if (!kind || !plan) return undefined;
    // What is fitted starts from the estimate, whatever stands in the fields.
    const { massKg, draftM, lateralAreaM2, delayS } = given;
    const known = Object.fromEntries(Object.entries({ massKg, draftM, lateralAreaM2, delayS }).filter(([, value]) => value !== undefined));
    const { hull } = hullFigures({ kind, plan }, known);
    return fitTrials(trials, hull);
  }, [trials, given, kind, plan]);
  const write = (next: readonly Trial[]) => onSet(next.length === 0 ? '' : JSON.stringify(next, null, 1));
  const asked: readonly Asked[] = adding ? ASKED[adding] : [];
  const keep = form.handleSubmit((entered) => {
    if (!adding) return;
    write([...trials, trialOf(adding, entered)]);
    setAdding(undefined);
  });
  const words = (trial: Trial): string =>
    `${t(`fleet.trial.${trial.is}`)}: ${(ASKED[trial.is] as readonly Asked[])
      .flatMap((field) => {
        const value = (trial as Partial<Record<Asked, number>>)[field];
        return value === undefined ? [] : [`${t(`fleet.trial.${field}`)} ${figure(value)} ${UNITS[field]}`];
      })
      .join(', ')}`;
  return (
    <Card style={{ gap: 10 }}>
      <Bold size={19}>{t('fleet.trial.title')}</Bold>
      <Small>{t('fleet.trial.why')}</Small>
      {trials.map((trial, i) => (
        <View key={i} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }} testID={`trial-${i}`}>
          <View style={{ flex: 1, gap: 4 }}>
            <Body>{words(trial)}</Body>
            {fit && fit.off[i]! > ODD ? <Tag kind="ask">{t('fleet.trial.odd', { n: Math.round(fit.off[i]! * 100) })}</Tag> : null}
          </View>
          <Button
            mode="outlined"
            label={t('fleet.trial.drop')}
            onPress={() => write(trials.filter((_, at) => at !== i))}
            testID={`drop-trial-${i}`}
          />
        </View>
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('fleet.trial.add')}>
        {KINDS.map((one) => (
          <ChoiceChip
            key={one}
            label={t(`fleet.trial.${one}`)}
            on={adding === one}
            onPress={() => {
              setAdding(adding === one ? undefined : one);
              form.reset(EMPTY);
            }}
            testID={`try-${one}`}
          />
        ))}
      </View>
      {asked.map((field) => (
        <FormField
          key={field}
          form={form}
          name={field}
          label={t(`fleet.trial.${field}`)}
          numeric
          unit={UNITS[field]}
          most={10}
          testID={`tried-${field}`}
        />
      ))}
      {adding ? <Button mode="outlined" label={t('fleet.trial.keep')} onPress={() => void keep()} testID="keep-trial" /> : null}
      {fit ? (
        <Notice kind="calm" title={t('fleet.trial.says')}>
          {(Object.entries(fit.figures) as [Fitted, number][]).map(([field, value]) => (
            <Bold key={field}>{`${t(`fleet.field.${field}`)}: ${value >= 100 ? Math.round(value) : figure(value)}`}</Bold>
          ))}
          <Small>{t('fleet.trial.left', { n: Math.round(fit.left * 100) })}</Small>
          <Button
            mode="outlined"
            label={t('fleet.trial.take')}
            onPress={() =>
              onFigures(
                Object.fromEntries(Object.entries(fit.figures).map(([field, value]) => [field, String(Math.round(value * 10) / 10)])),
              )
            }
            testID="take-figures"
          />
        </Notice>
      ) : null}
    </Card>
  );
};
