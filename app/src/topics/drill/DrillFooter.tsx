import type { Mode } from '@quay/core/drill/run';
import { say } from '@quay/core/words/words';
import type { PriceList } from '@quay/core/settlement/prices';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useMoney } from '../../ui/controls/money';
import { useTones } from '../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { usePositions } from './positions';
import { type DrillView } from './useDrill';

const MODES: readonly Mode[] = ['shown', 'hints', 'own'];

/** What the last move taught, what leads on, the wait that can be jumped over, and how much help there is. */
export const DrillFooter = ({ view, prices, onBack }: { view: DrillView; prices: PriceList; onBack: () => void }) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const positions = usePositions();
  const { mode, next, passed, over, wait, drill } = view;
  const control = drill.controls.find(({ id }) => id === next?.action?.control);
  const told = next?.move
    ? say(next.move.say, i18n.language)
    : control && next?.action
      ? `${say(control.name, i18n.language)}: ${positions(control, next.action.to)}`
      : next
        ? t('drill.waitNow')
        : undefined;
  return (
    <View style={{ gap: 8 }}>
      <LessonCard view={view} prices={prices} />
      {mode !== 'own' && !passed && !over ? (
        <View
          style={{
            borderRadius: 14,
            backgroundColor: tones.warningPale,
            paddingHorizontal: 12,
            paddingVertical: 8,
            borderLeftWidth: 6,
            borderLeftColor: tones.warning,
            minHeight: 56,
            justifyContent: 'center',
          }}
          testID="drill-hint"
        >
          <SlabBold size={19} tone="warningText" style={{ lineHeight: 24 }}>
            {told ?? t('drill.thinking')}
          </SlabBold>
          {next?.move?.why ? <Small tone="warningText">{say(next.move.why, i18n.language)}</Small> : null}
        </View>
      ) : null}
      {wait !== undefined ? (
        <Button mode="outlined" label={t('drill.skip', { n: Math.ceil(wait) })} onPress={view.skip} testID="drill-skip" />
      ) : null}
      {passed || over ? (
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <Button
            mode="outlined"
            label={t('drill.again')}
            onPress={() => view.begin(view.variant)}
            style={{ flex: 1 }}
            testID="drill-more"
          />
          {passed ? <Button mode="contained" label={t('drill.done')} onPress={onBack} style={{ flex: 1 }} testID="drill-done" /> : null}
        </View>
      ) : (
        <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('drill.help')}>
          {MODES.map((one) => (
            <View key={one} style={{ flex: 1 }}>
              <ChoiceChip label={t(`drill.mode.${one}`)} on={mode === one} onPress={() => view.setMode(one)} testID={`mode-${one}`} />
            </View>
          ))}
        </View>
      )}
    </View>
  );
};

/** What the last move taught, or how it all ended. */
const LessonCard = ({ view, prices }: { view: DrillView; prices: PriceList }) => {
  const { t, i18n } = useTranslation();
  const money = useMoney(prices.currency);
  const { run, passed, over, mistakes } = view;
  if (passed)
    return (
      <View testID="drill-passed">
        <Notice kind="ok" title={t(run.helped === 'shown' ? 'drill.seen' : 'drill.passed')}>
          <Body>{mistakes.length === 0 ? t('drill.clean') : t('drill.mistakes', { count: mistakes.length })}</Body>
          {[...new Set(mistakes)].map((lesson) => (
            <Body key={lesson.id}>{`– ${say(lesson.say, i18n.language)}`}</Body>
          ))}
        </Notice>
      </View>
    );
  const lesson = run.last;
  if (!lesson) return null;
  const price = prices.prices.find(({ code }) => code === lesson.price);
  return (
    <View aria-live="polite" testID={`lesson-${lesson.id}`}>
      <Notice
        kind={lesson.weight === 'danger' ? 'stop' : lesson.weight === 'wrong' ? 'ask' : 'calm'}
        title={say(lesson.say, i18n.language)}
      >
        {lesson.why ? <Body>{say(lesson.why, i18n.language)}</Body> : null}
        {price ? <Small>{t('drill.costs', { name: say(price.name, i18n.language), price: money(price.amountMinor) })}</Small> : null}
        {over ? <Bold>{t('drill.over')}</Bold> : null}
      </Notice>
    </View>
  );
};
