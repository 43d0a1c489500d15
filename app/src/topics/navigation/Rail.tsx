import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { ScrollView, View } from 'react-native';
import { Badge, Icon } from 'react-native-paper';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { useMe } from '../../local/session';
import { useTones } from '../../ui/theme';
import { Bold } from '../../ui/words';
import { lastPlace } from './lastPlace';
import { type Place, placeAt, placesOf } from './places';
import { useAttentionCount } from './useAttentionCount';

/** Width of the rail, px. */
export const RAIL = 104;

/** Every place of a desk, in words, at the left. */
export const Rail = ({ path }: { path: string }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const me = useMe().data;
  const manager = me?.staff.role === 'manager';
  const { foot, behindMore } = placesOf(manager);
  const all: readonly Place[] = [...foot, ...behindMore];
  const here = placeAt(path) ?? placeAt(lastPlace());
  const waiting = useAttentionCount(manager);
  const item = (place: Place) => (
    <Item key={place.key} place={place} on={place.key === here} count={place.key === 'attention' ? waiting : 0} />
  );
  return (
    <View
      role="navigation"
      aria-label={t('nav.title')}
      style={{ width: RAIL, backgroundColor: tones.board, borderRightWidth: 1, borderRightColor: tones.line }}
    >
      <ScrollView contentContainerStyle={{ flexGrow: 1, paddingVertical: 10, paddingHorizontal: 8, gap: 4 }}>
        {all.filter(({ key }) => key !== 'settings').map(item)}
        <View style={{ flex: 1 }} />
        {all.filter(({ key }) => key === 'settings').map(item)}
      </ScrollView>
    </View>
  );
};

const Item = ({ place: { key, path, icon }, on, count }: { place: Place; on: boolean; count: number }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  return (
    <TouchableRipple
      role="link"
      {...(on ? { 'aria-current': 'page' } : {})}
      aria-label={count > 0 ? `${t(`nav.${key}`)}, ${count}` : t(`nav.${key}`)}
      onPress={() => router.push(path)}
      testID={`nav-${key}`}
      style={{ borderRadius: 12, minHeight: 68, justifyContent: 'center', backgroundColor: on ? tones.primaryPale : 'transparent' }}
    >
      <View style={{ alignItems: 'center', gap: 4, paddingVertical: 8 }}>
        <View>
          <Icon source={icon} size={28} color={on ? tones.primaryText : tones.soft} />
          {count > 0 ? (
            <Badge size={20} style={{ position: 'absolute', left: 20, top: -6, backgroundColor: tones.danger, color: tones.onDanger }}>
              {count > 99 ? '99+' : count}
            </Badge>
          ) : null}
        </View>
        <Bold size={14} tone={on ? 'primaryText' : 'soft'} style={{ textAlign: 'center' }}>
          {t(`nav.${key}`)}
        </Bold>
      </View>
    </TouchableRipple>
  );
};
