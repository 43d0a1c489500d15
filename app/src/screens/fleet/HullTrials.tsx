import { hullFigures } from '@quay/core/docking/hull';
import { type Fitted, fitTrials, trialFaults } from '@quay/core/docking/trials';
import type { Book } from '@quay/core/fleet/book';
import type { Hull, Trial } from '@quay/core/fleet/hull';
import { TRIAL_MOST } from '@quay/core/fleet/hullRanges';
import { typedNumber } from '@quay/core/number/typed';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag } from '../../ui/board';
import { Field } from '../../ui/field';
import { figure } from '../../ui/format';
import { Alt, Chip } from '../../ui/press';
import { Body, Bold, Small } from '../../ui/words';

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
  const [typed, setTyped] = useState<Partial<Record<Asked, string>>>({});
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
  const number = (field: Asked): number => typedNumber(typed[field] ?? '');
  const empty = (field: Asked) => (typed[field] ?? '').trim() === '';
  const asked: readonly Asked[] = adding ? ASKED[adding] : [];
  const wrong = (field: Asked) => !empty(field) && !(number(field) > 0 && number(field) <= TRIAL_MOST[field]);
  const made = adding
    ? ({ is: adding, ...Object.fromEntries(asked.flatMap((field) => (empty(field) ? [] : [[field, number(field)]]))) } as Trial)
    : undefined;
  const missing = asked.some((field) => empty(field) && !(adding === 'stop' && MAY_MISS.includes(field)));
  const fault = made && !missing ? trialFaults([made])[0] : undefined;
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
          <Alt label={t('fleet.trial.drop')} onPress={() => write(trials.filter((_, at) => at !== i))} testID={`drop-trial-${i}`} />
        </View>
      ))}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('fleet.trial.add')}>
        {KINDS.map((one) => (
          <Chip
            key={one}
            label={t(`fleet.trial.${one}`)}
            on={adding === one}
            onPress={() => {
              setAdding(adding === one ? undefined : one);
              setTyped({});
            }}
            testID={`try-${one}`}
          />
        ))}
      </View>
      {asked.map((field) => (
        <Field
          key={field}
          label={t(`fleet.trial.${field}`)}
          value={typed[field] ?? ''}
          numeric
          unit={UNITS[field]}
          onChange={(value) => setTyped({ ...typed, [field]: value })}
          fault={wrong(field) ? t('fleet.fault.range') : undefined}
          testID={`tried-${field}`}
        />
      ))}
      {fault ? <Tag kind="stop">{t(`fleet.trial.${fault.reason}`)}</Tag> : null}
      {made ? (
        <Alt
          label={t('fleet.trial.keep')}
          disabled={missing || asked.some(wrong) || fault !== undefined}
          onPress={() => {
            write([...trials, made]);
            setAdding(undefined);
          }}
          testID="keep-trial"
        />
      ) : null}
      {fit ? (
        <Notice kind="calm" title={t('fleet.trial.says')}>
          {(Object.entries(fit.figures) as [Fitted, number][]).map(([field, value]) => (
            <Bold key={field}>{`${t(`fleet.field.${field}`)}: ${value >= 100 ? Math.round(value) : figure(value)}`}</Bold>
          ))}
          <Small>{t('fleet.trial.left', { n: Math.round(fit.left * 100) })}</Small>
          <Alt
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
