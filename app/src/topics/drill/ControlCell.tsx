import type { Control } from '@quay/core/fleet/drills';
import { say } from '@quay/core/words/words';
import { useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import { useTones } from '../../ui/theme';
import { Bold, Small } from '../../ui/words';
import { ControlDrawing } from './drawings';
import { usePositions } from './positions';
import type { DrillView } from './useDrill';

/** Pressed for less than this it stays held, until it is pressed once more: for thumbs that need both hands, and for screen readers. */
const LATCH_MS = 350;

/** Two positions are one press; more stand beside the drawing, each to be pressed. What springs back is held. */
export const ControlCell = ({ view, control, hinted }: { view: DrillView; control: Control; hinted: boolean }) => {
  const { i18n } = useTranslation();
  const tones = useTones();
  const many = control.positions.length > 2;
  return (
    <View
      style={{
        flexGrow: 1,
        flexBasis: 150,
        borderRadius: 16,
        borderWidth: hinted ? 3 : 2,
        borderColor: hinted ? tones.warning : tones.line,
        backgroundColor: tones.card,
        overflow: 'hidden',
      }}
      testID={`control-${control.id}`}
      role="group"
      aria-label={say(control.name, i18n.language)}
    >
      {many ? <Many view={view} control={control} /> : <Two view={view} control={control} />}
    </View>
  );
};

/** Presses of a position that has to be held, and of all others. */
const useHold = (view: DrillView, control: Control, to: string) => {
  const began = useRef<{ at: number; wasHeld: boolean }>(undefined);
  const back = control.springs?.[to];
  const here = view.at(control.id) === to;
  const move = (position: string) => view.move({ control: control.id, to: position });
  if (back === undefined) return { back, here, onPress: () => (here ? undefined : move(to)) };
  return {
    back,
    here,
    onPressIn: () => {
      began.current = { at: performance.now(), wasHeld: here };
      if (!here) move(to);
    },
    onPressOut: () => {
      const press = began.current;
      // A second press, or the end of a long one, lets go.
      if (press && (press.wasHeld || performance.now() - press.at >= LATCH_MS)) move(back);
    },
    // A press that has neither beginning nor end, as screen readers make it.
    onPress: () => {
      if (!began.current) move(here ? back : to);
      began.current = undefined;
    },
  };
};

const Two = ({ view, control }: { view: DrillView; control: Control }) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const positions = usePositions();
  const at = view.at(control.id);
  const place = control.positions.findIndex(({ id }) => id === at);
  const other = control.positions[place === 0 ? 1 : 0]!.id;
  // What has to be held is the position that springs back, whichever stands now.
  const held = control.positions.find(({ id }) => control.springs?.[id] !== undefined)?.id;
  const { back, here, ...press } = useHold(view, control, held ?? other);
  const name = say(control.name, i18n.language);
  return (
    <Pressable
      role={held === undefined ? 'switch' : 'button'}
      {...(held === undefined ? { 'aria-checked': place === 1 } : { 'aria-pressed': here })}
      aria-label={`${name}: ${positions(control, at)}`}
      {...press}
      testID={`move-${control.id}`}
      style={({ pressed }) => ({
        flex: 1,
        minHeight: 112,
        padding: 8,
        alignItems: 'center',
        justifyContent: 'space-between',
        gap: 4,
        backgroundColor: pressed ? tones.primaryPale : 'transparent',
      })}
    >
      <Bold size={15} style={{ textAlign: 'center' }}>
        {name}
      </Bold>
      <ControlDrawing widget={control.widget} at={place} of={2} size={72} />
      <Small tone={place === 0 ? 'soft' : 'primaryText'}>
        {back !== undefined && here ? t('drill.letGo') : back !== undefined ? t('drill.hold') : positions(control, at)}
      </Small>
    </Pressable>
  );
};

const Many = ({ view, control }: { view: DrillView; control: Control }) => {
  const { i18n } = useTranslation();
  const at = view.at(control.id);
  const place = control.positions.findIndex(({ id }) => id === at);
  // A lever's foremost position stands on top, as on the boat.
  const shown = control.widget === 'lever' ? [...control.positions].reverse() : control.positions;
  return (
    <View style={{ padding: 8, gap: 6, alignItems: 'center' }}>
      <Bold size={15} style={{ textAlign: 'center' }}>
        {say(control.name, i18n.language)}
      </Bold>
      <ControlDrawing widget={control.widget} at={place} of={control.positions.length} size={84} />
      <View style={{ alignSelf: 'stretch', gap: 5 }} role="radiogroup" aria-label={say(control.name, i18n.language)}>
        {shown.map(({ id }) => (
          <Position key={id} view={view} control={control} to={id} />
        ))}
      </View>
    </View>
  );
};

const Position = ({ view, control, to }: { view: DrillView; control: Control; to: string }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const positions = usePositions();
  const { back, here, ...press } = useHold(view, control, to);
  const within = here || view.can(control.id).includes(to);
  return (
    <Pressable
      role="radio"
      aria-checked={here}
      aria-disabled={!within}
      disabled={!within}
      {...press}
      testID={`move-${control.id}-${to}`}
      style={({ pressed }) => ({
        minHeight: 52,
        borderRadius: 12,
        borderWidth: 2,
        borderColor: here ? tones.primary : tones.line,
        backgroundColor: here ? tones.primary : pressed ? tones.primaryPale : 'transparent',
        paddingHorizontal: 12,
        flexDirection: 'row',
        alignItems: 'center',
        justifyContent: 'space-between',
        gap: 8,
      })}
    >
      <Bold size={16} tone={here ? 'onPrimary' : within ? 'ink' : 'soft'}>
        {positions(control, to)}
      </Bold>
      {back === undefined ? null : (
        <Small size={13} tone={here ? 'onPrimary' : 'soft'}>
          {here ? t('drill.letGo') : t('drill.hold')}
        </Small>
      )}
    </Pressable>
  );
};
