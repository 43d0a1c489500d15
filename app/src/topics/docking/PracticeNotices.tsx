import type { Conditions } from '@quay/core/docking/place';
import { touchOf, type Review } from '@quay/core/docking/practice';
import { type TaskName, type WeatherChoice, WEATHERS } from '@quay/core/docking/names';
import { STEP_S } from '@quay/core/docking/motion';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { Thumb } from '../../platform/thumb';
import { Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { type Practice, useSeen } from './usePractice';

/** What has just happened, over the water. */
export const Happened = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const touch = useSeen(practice, ({ instruction }) => touchOf(instruction?.hardestMs));
  const left = useSeen(practice, ({ instruction }) =>
    instruction && instruction.heldS > 0 && !instruction.ended ? Math.max(0, Math.ceil(instruction.holdS - instruction.heldS)) : undefined,
  );
  return (
    <View style={{ position: 'absolute', left: 10, bottom: 10, gap: 6, pointerEvents: 'none' }} aria-live="polite">
      {left !== undefined ? (
        <Tag kind="ok" size={17}>
          {t('dock.held', { s: left })}
        </Tag>
      ) : null}
      {touch === 'none' ? null : (
        <View testID={`touch-${touch}`}>
          <Tag kind={touch === 'soft' ? 'ok' : touch === 'firm' ? 'ask' : 'stop'} size={17}>
            {t(`dock.touch.${touch}`)}
          </Tag>
        </View>
      )}
    </View>
  );
};

export const Ready = ({
  practice,
  task,
  weather,
  now,
  onWeather,
}: {
  practice: Practice;
  task: TaskName;
  weather: WeatherChoice;
  now: Conditions | undefined;
  onWeather: (weather: WeatherChoice) => void;
}) => {
  const { t } = useTranslation();
  return (
    <View style={{ padding: 14, gap: 12, flex: 1 }}>
      <SlabBold size={22}>{t(`dock.task.${task}.goal`)}</SlabBold>
      <View style={{ gap: 6 }} role="radiogroup" aria-label={t('dock.weatherTitle')}>
        <Small>{t('dock.weatherTitle')}</Small>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
          {WEATHERS.filter((one) => one !== 'now' || now !== undefined).map((one) => (
            <ChoiceChip
              key={one}
              label={t(`dock.weather.${one}`)}
              on={weather === one}
              onPress={() => onWeather(one)}
              testID={`weather-${one}`}
            />
          ))}
        </View>
      </View>
      <Button mode="contained" label={t('dock.begin')} onPress={() => practice.run()} testID="practice-begin" />
      <Small size={14}>{t('dock.caution')}</Small>
    </View>
  );
};

const BACK_S = 3;

/** Back to a moment, and on from there. */
const Back = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [wide, setWide] = useState(300);
  const instruction = useSeen(practice, (seen) => seen.instruction);
  if (!instruction) return null;
  const at = instruction.step * STEP_S;
  const end = instruction.last * STEP_S;
  const share = end > 0 ? at / end : 0;
  return (
    <View style={{ gap: 8 }}>
      <View onLayout={({ nativeEvent }) => setWide(nativeEvent.layout.width)}>
        <Thumb
          label={t('dock.moment')}
          value={Math.round(at)}
          min={0}
          max={Math.round(end)}
          text={t('dock.seconds', { s: Math.round(at) })}
          upright={false}
          width={wide}
          height={52}
          testID="moment"
          onPush={({ x }) => practice.look(Math.max(0, Math.min(1, x)) * end)}
          onStep={(by) => practice.look(Math.max(0, Math.min(end, at + by)))}
        >
          <Svg width={wide} height={52} style={{ pointerEvents: 'none' }} aria-hidden>
            <Line x1={14} y1={26} x2={Math.max(14, wide - 14)} y2={26} stroke={tones.line} strokeWidth={10} strokeLinecap="round" />
            <Line
              x1={14}
              y1={26}
              x2={14 + share * Math.max(0, wide - 28)}
              y2={26}
              stroke={tones.primary}
              strokeWidth={10}
              strokeLinecap="round"
            />
            <Circle cx={14 + share * Math.max(0, wide - 28)} cy={26} r={13} fill={tones.warning} stroke={tones.ink} strokeWidth={3} />
          </Svg>
        </Thumb>
      </View>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Button
          mode="outlined"
          label={`◀ ${t('dock.earlier')}`}
          disabled={at <= 0}
          onPress={() => practice.look(Math.max(0, at - BACK_S))}
          style={{ flex: 1 }}
          testID="earlier"
        />
        <Button
          mode="outlined"
          label={`${t('dock.later')} ▶`}
          disabled={at >= end - STEP_S}
          onPress={() => practice.look(Math.min(end, at + BACK_S))}
          style={{ flex: 1 }}
          testID="later"
        />
      </View>
      {instruction.step < instruction.last ? (
        <Button mode="contained" label={t('dock.fromHere')} onPress={() => practice.goOnFromHere()} testID="from-here" />
      ) : null}
    </View>
  );
};

export const Paused = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const instruction = useSeen(practice, (seen) => seen.instruction);
  return (
    <View style={{ padding: 14, gap: 12 }}>
      {instruction && instruction.step >= instruction.last ? (
        <Button mode="contained" label={t('dock.goOn')} onPress={() => practice.run()} testID="practice-go-on" />
      ) : null}
      <Small>{t('dock.undo')}</Small>
      <Back practice={practice} />
      <Small size={14}>{t('dock.helpKeys')}</Small>
    </View>
  );
};

export const Told = ({ practice, review, onBack }: { practice: Practice; review: Review; onBack: () => void }) => {
  const { t } = useTranslation();
  return (
    <View style={{ padding: 12, gap: 10 }} testID={review.passed ? 'practice-passed' : 'practice-failed'}>
      <Notice
        kind={review.passed ? 'ok' : 'ask'}
        title={`${t(review.passed ? 'dock.done' : 'dock.notYet')} · ${review.seconds} s · ${t(`dock.touch.${review.touch}`)}`}
      >
        {review.well.map((one) => (
          <Body key={one} size={16}>{`✓ ${t(`dock.well.${one}`)}`}</Body>
        ))}
        {review.tryNext.map((one) => (
          <Bold key={one} size={16}>{`→ ${t(`dock.try.${one}`)}`}</Bold>
        ))}
        {review.passed ? null : <Small>{t('dock.notYetWhy')}</Small>}
      </Notice>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Button mode="outlined" label={t('dock.againTask')} onPress={() => practice.begin()} style={{ flex: 1 }} testID="practice-more" />
        <Button mode="outlined" label={t('common.done')} onPress={onBack} style={{ flex: 1 }} testID="practice-done" />
      </View>
      <Back practice={practice} />
    </View>
  );
};
