import { currentOf } from '@quay/core/events/record';
import { gaugeRead } from '@quay/core/fuel/events';
import { say } from '@quay/core/words/words';
import { spokenReading } from '@quay/core/fuel/level';
import { typedReading } from '@quay/core/fuel/typed';
import { asItWas } from '@quay/core/walk/asItWas';
import type { EventBody } from '@quay/core/record/event';
import { wantsPicture } from '@quay/core/walk/walk';
import { evidenceStateOf } from '@quay/core/condition/propeller';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { measures } from '../../ui/units';
import { Body, Bold, Small } from '../../ui/words';
import { Lamps, UnusualReading, useReadingFault } from '../fuel/reading';
import type { WalkView } from '../../local/useWalk';

/**
 * All that one press cannot say of a stop of the return: what is to be read is typed here in one go, the propeller judged,
 * and with the last of it the stop is completed.
 */
export const RestSheet = ({
  view,
  onClose,
  onComplete,
}: {
  view: WalkView;
  onClose: () => void;
  onComplete: (extra: EventBody[]) => void;
}) => {
  const { t } = useTranslation();
  const { record, language, walk, alone, stops, at } = view;
  const faultOf = useReadingFault();
  const stop = stops[at]!;
  // What is open is taken once: rows do not vanish under the fingers of whoever types.
  const [{ gauges, propellers, checks }] = useState(() => ({
    gauges: stop.gauges.filter(({ id }) => stop.missing.gauges.includes(id)),
    propellers: stop.propellers.filter(({ id }) => stop.missing.propellers.includes(id)),
    checks: stop.checks.filter(({ id }) => stop.missing.checks.includes(id)),
  }));
  const [ways, setWays] = useState<Record<string, string>>({});
  const [typed, setTyped] = useState<Record<string, string>>({});
  const [sound, setSound] = useState<Record<string, 'sound' | 'notSeen'>>({});
  const was = (id: string) => currentOf(record, ['out', 'gauge', id], gaugeRead)?.value.shown;
  const read = gauges.map((gauge) => ({
    gauge,
    reading: typedReading(gauge, typed[gauge.id] ?? '', { was: was(gauge.id), sixteenths: true }),
  }));
  const faulty = read.some(({ reading }) => reading.is === 'range' || reading.is === 'back');
  const pictures = [...stop.surfaces, ...stop.gauges, ...stop.propellers].filter(
    (one) =>
      stop.missing.pictures.includes(one.id) ||
      (stop.missing.surfaces.includes(one.id) && 'stuff' in one && wantsPicture(record, walk, one, alone)),
  );
  const open =
    read.filter(({ reading }) => reading.is === 'nothing').length +
    propellers.filter(({ id }) => !sound[id]).length +
    checks.filter(({ id }) => !ways[id]).length +
    pictures.length;
  const complete = (judgements: typeof sound = sound, found: typeof ways = ways) => {
    if (faulty) return;
    onComplete([
      ...asItWas(record, stop, alone),
      ...read.flatMap(({ gauge, reading }): EventBody[] =>
        reading.is === 'read'
          ? [
              {
                kind: 'gaugeRead',
                walk,
                gauge: gauge.id,
                shown: reading.shown,
                ...(was(gauge.id) === reading.shown ? { asBefore: true as const } : {}),
              },
            ]
          : [],
      ),
      ...propellers.flatMap((propeller): EventBody[] => {
        const judged = judgements[propeller.id];
        return judged
          ? [{ kind: 'evidenceGiven', walk, propeller: propeller.id, state: evidenceStateOf(judged, propeller), photos: [] }]
          : [];
      }),
      ...checks.flatMap(({ id }): EventBody[] => {
        const way = found[id];
        return way === undefined ? [] : [{ kind: 'asFound', walk, check: id, way, photos: [] }];
      }),
    ]);
  };
  /** With the last thing that was open the stop is done. */
  const tieIfDone = (judgements: typeof sound, found: typeof ways) => {
    if (gauges.length + pictures.length > 0) return;
    if (propellers.every((one) => judgements[one.id]) && checks.every((one) => found[one.id])) complete(judgements, found);
  };
  const find = (check: string, way: string) => {
    const next = { ...ways, [check]: way };
    setWays(next);
    tieIfDone(sound, next);
  };
  const judge = (id: string, state: 'sound' | 'notSeen') => {
    const next = { ...sound, [id]: state };
    setSound(next);
    tieIfDone(next, ways);
  };
  return (
    <ModalSheet
      title={t('walk.rest')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          <Button
            mode="contained"
            label={open > 0 ? t('walk.keepOpen', { count: open }) : t('walk.keepTie')}
            tone={open > 0 ? 'warning' : 'primary'}
            disabled={faulty}
            onPress={() => complete()}
            testID="rest-complete"
          />
          {open > 0 ? <Button mode="outlined" label={t('walk.goBack')} onPress={onClose} /> : null}
        </>
      }
    >
      {open > 0 ? <Small>{t('walk.openWhy')}</Small> : null}
      {propellers.map((propeller) => (
        <View key={propeller.id} style={{ gap: 6 }}>
          <Body>{`${say(propeller.name, language)}: ${say(propeller.inWhen, language)}`}</Body>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={say(propeller.name, language)}>
            {(['sound', 'notSeen'] as const).map((state) => (
              <ChoiceChip
                key={state}
                label={t(`walk.evidence.${state}`)}
                on={sound[propeller.id] === state}
                tone={state === 'sound' ? 'primary' : 'warning'}
                onPress={() => judge(propeller.id, state)}
                testID={`rest-prop-${state}`}
              />
            ))}
            <ChoiceChip label={t('walk.propFlaw')} on={false} tone="danger" onPress={onClose} testID="rest-prop-flaw" />
          </View>
        </View>
      ))}
      {checks.map((check) => (
        <View key={check.id} style={{ gap: 6 }}>
          <Body>{say(check.name, language)}</Body>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={say(check.name, language)}>
            {check.ways.map((way, i) => (
              <ChoiceChip
                key={way.id}
                label={say(way.name, language)}
                on={ways[check.id] === way.id}
                tone={i === 0 ? 'primary' : way.price === undefined ? 'warning' : 'danger'}
                onPress={() => find(check.id, way.id)}
                testID={`rest-check-${check.id}-${way.id}`}
              />
            ))}
          </View>
        </View>
      ))}
      {read.map(({ gauge, reading }, i) => {
        const name = say(gauge.name, language);
        const before = was(gauge.id);
        const unit = gauge.reads === 'needle' ? '/ 16' : gauge.unit;
        return (
          <View key={gauge.id} style={{ gap: 4 }}>
            {gauge.reads === 'lamp' ? (
              <>
                <Body>{name}</Body>
                <Lamps
                  gauge={gauge}
                  name={name}
                  lit={reading.is === 'read' ? reading.shown : undefined}
                  onLit={(count) => setTyped((now) => ({ ...now, [gauge.id]: String(count) }))}
                  testID={`rest-${gauge.id}`}
                />
              </>
            ) : (
              <TextField
                label={before === undefined ? name : `${name} · ${t('walk.was', { v: spokenReading(gauge, before, measures()) })}`}
                value={typed[gauge.id] ?? ''}
                onChange={(text) => setTyped((now) => ({ ...now, [gauge.id]: text }))}
                numeric
                {...(unit ? { unit } : {})}
                fault={faultOf(gauge, reading, true)}
                onEnter={() => complete()}
                autoFocus={i === 0}
                testID={`rest-${gauge.id}`}
              />
            )}
            <UnusualReading read={reading} unit={gauge.unit} />
          </View>
        );
      })}
      {pictures.map(({ id, name }) => (
        <Bold key={id}>{`${say(name, language)}: ${t('walk.pictureWanted')}`}</Bold>
      ))}
    </ModalSheet>
  );
};
