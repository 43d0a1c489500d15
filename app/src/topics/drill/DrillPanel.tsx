import { say } from '@quay/core/words/words';
import type { Drill } from '@quay/core/fleet/drills';
import type { EventBody } from '@quay/core/record/event';
import type { PriceList } from '@quay/core/settlement/prices';
import { mdiRestart, mdiVolumeHigh, mdiVolumeOff } from '@mdi/js';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { rememberChoice, rememberedChoice } from '../../platform/browser';
import { type Heard, quiet, sound } from '../../platform/engineSound';
import { Card, Tag } from '../../ui/board';
import { IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useTones } from '../../ui/theme';
import { Body, Bold, Small } from '../../ui/words';
import { ControlCell } from './ControlCell';
import { DrillFooter } from './DrillFooter';
import { Shows } from './Shows';
import { type DrillView, useDrill } from './useDrill';

/**
 * A drill on its panel: what is seen on top, controls below, what leads on at the thumb.
 * @param onDone keeps what came of it in the record
 */
export const DrillPanel = ({
  drill,
  boat,
  prices,
  onBack,
  onDone,
}: {
  drill: Drill;
  boat: string;
  prices: PriceList;
  onBack: () => void;
  onDone: (body: Extract<EventBody, { kind: 'drillDone' }>) => Promise<void>;
}) => {
  const { t, i18n } = useTranslation();
  const { wide } = useRoom();
  const view = useDrill(drill);
  const [by, setBy] = useState<'driver' | 'lookout'>('driver');
  const [loud, setLoud] = useState(() => rememberedChoice('drillSound') !== 'off');
  const { passed, run, mistakes, variant } = view;

  useSound(view, loud);
  // Each go is kept once, when its last goal is reached.
  const kept = useRef(false);
  useEffect(() => {
    if (!passed) kept.current = false;
    if (!passed || kept.current) return;
    kept.current = true;
    void onDone({
      kind: 'drillDone',
      drill: drill.id,
      how: run.helped,
      by,
      ...(variant === undefined ? {} : { variant }),
      mistakes: mistakes.slice(0, 60).map(({ id }) => id),
      seconds: Math.min(86_400, Math.round(run.seconds)),
    });
  }, [passed, onDone, drill.id, run, by, variant, mistakes]);

  const hinted = view.mode === 'own' ? undefined : view.next?.action?.control;
  const untouched = run.seconds < 2 && run.reached === 0 && run.learnt.length === 0;
  const seen = (
    <Card style={{ gap: 8, paddingVertical: 12 }}>
      <Shows view={view} />
      {view.clocks.map(({ id, name, ran, to, runs }) => (
        <Clock key={id} name={say(name, i18n.language)} ran={ran} to={to} runs={runs} />
      ))}
    </Card>
  );
  // Controls of two positions stand together, and those of more: beside each other neither leaves room unused.
  const [two, many] = [
    drill.controls.filter(({ positions }) => positions.length === 2),
    drill.controls.filter(({ positions }) => positions.length > 2),
  ];
  const controls = (
    <View style={{ gap: 8 }}>
      {[two, many].map((some, i) => (
        <View key={i} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {some.map((control) => (
            <ControlCell key={control.id} view={view} control={control} hinted={hinted === control.id} />
          ))}
        </View>
      ))}
    </View>
  );
  return (
    <Screen
      title={say(drill.name, i18n.language)}
      sub={boat}
      onBack={onBack}
      measure={wide ? 1100 : 640}
      right={
        <View style={{ flexDirection: 'row' }}>
          <IconButton
            path={loud ? mdiVolumeHigh : mdiVolumeOff}
            label={t(loud ? 'drill.mute' : 'drill.unmute')}
            plain
            testID="drill-sound"
            onPress={() => {
              setLoud(!loud);
              rememberChoice('drillSound', loud ? 'off' : 'on');
            }}
          />
          <IconButton path={mdiRestart} label={t('drill.again')} plain onPress={() => view.begin(variant)} testID="drill-again" />
        </View>
      }
      // What the boat shows stays in sight while a thumb is on the controls.
      {...(wide
        ? {}
        : {
            top: <View style={{ paddingHorizontal: 12, paddingBottom: 4, maxWidth: 640, width: '100%', alignSelf: 'center' }}>{seen}</View>,
          })}
      footer={<DrillFooter view={view} prices={prices} onBack={onBack} />}
    >
      <View style={{ padding: 12, gap: 10, flexDirection: wide ? 'row' : 'column' }}>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 10 }}>
          <Goals view={view} />
          {untouched || wide ? <Intro view={view} by={by} onBy={setBy} /> : null}
          {wide ? seen : null}
          {wide ? <Small size={14}>{t('drill.caution')}</Small> : null}
        </View>
        <View style={wide ? { flex: 1.3 } : {}}>{controls}</View>
        {wide ? null : <Small size={14}>{t('drill.caution')}</Small>}
      </View>
    </Screen>
  );
};

/** The sounds of the panel, as long as somebody listens. */
const useSound = (view: DrillView, loud: boolean) => {
  const heard = view.drill.shows.flatMap(({ id, kind }) => {
    const value = kind === 'sound' ? view.observed[id]?.value : undefined;
    return typeof value === 'string' ? [value as Heard] : [];
  });
  const text = loud && !view.over ? heard.join(' ') : '';
  useEffect(() => sound(text === '' ? [] : (text.split(' ') as Heard[])), [text]);
  useEffect(() => quiet, []);
};

/** Where it goes: the goal that is next in full, the others as they are ticked off. */
const Goals = ({ view }: { view: DrillView }) => {
  const { i18n } = useTranslation();
  const { goals } = view.drill;
  const at = Math.min(view.run.reached, goals.length - 1);
  return (
    <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
      <View style={{ flexDirection: 'row', gap: 4 }}>
        {goals.map(({ id }, i) => (
          <View key={id} testID={`goal-${id}`}>
            <Tag kind={i < view.run.reached ? 'ok' : i === at ? 'ask' : 'calm'}>{i < view.run.reached ? '✓' : String(i + 1)}</Tag>
          </View>
        ))}
      </View>
      <Bold style={{ flex: 1 }} size={16}>
        {say(goals[at]!.say, i18n.language)}
      </Bold>
    </View>
  );
};

const Intro = ({ view, by, onBy }: { view: DrillView; by: 'driver' | 'lookout'; onBy: (by: 'driver' | 'lookout') => void }) => {
  const { t, i18n } = useTranslation();
  const { drill, variant } = view;
  return (
    <Card style={{ gap: 10 }}>
      <Body>{say(drill.intro, i18n.language)}</Body>
      {drill.caution ? <Tag kind="stop">{say(drill.caution, i18n.language)}</Tag> : null}
      {drill.variants.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('drill.beginning')}>
          <ChoiceChip label={t('drill.usual')} on={variant === undefined} onPress={() => view.begin()} testID="variant-usual" />
          {drill.variants.map(({ id, name }) => (
            <ChoiceChip
              key={id}
              label={say(name, i18n.language)}
              on={variant === id}
              onPress={() => view.begin(id)}
              testID={`variant-${id}`}
            />
          ))}
        </View>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('drill.who')}>
        {(['driver', 'lookout'] as const).map((one) => (
          <ChoiceChip key={one} label={t(`drill.by.${one}`)} on={by === one} onPress={() => onBy(one)} testID={`by-${one}`} />
        ))}
      </View>
    </Card>
  );
};

const Clock = ({ name, ran, to, runs }: { name: string; ran: number; to: number; runs: boolean }) => {
  const { t } = useTranslation();
  const tones = useTones();
  return (
    <View style={{ gap: 4 }} role="timer" aria-label={name}>
      <Bold size={17}>{t('drill.clock', { name, n: Math.floor(ran), of: to })}</Bold>
      <View style={{ height: 8, borderRadius: 4, backgroundColor: tones.line, overflow: 'hidden' }}>
        <View style={{ height: 8, width: `${Math.min(100, (100 * ran) / to)}%`, backgroundColor: runs ? tones.warning : tones.soft }} />
      </View>
    </View>
  );
};
