import { usePathname, useRouter } from 'expo-router';
import { type ReactNode, useContext } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { BottomNavigation } from 'react-native-paper';
import { useMe } from '../../local/session';
import { Less, useRoom } from '../../ui/room';
import { useTones } from '../../ui/theme';
import { Bold } from '../../ui/words';
import { LetIn } from '../../local/letIn';
import { lastPlace, useRememberPlace } from './lastPlace';
import { FOOT_HEIGHT, hasFoot, isTask, MORE, placeAt, placesOf } from './places';
import { Rail, RAIL } from './Rail';
import { useAttentionCount } from './useAttentionCount';

/** The labelled ways to every place: a rail beside the page on a desk, a bar at the foot of a phone. */
export const Frame = ({ children }: { children: ReactNode }) => {
  const letIn = useContext(LetIn);
  useRememberPlace();
  const path = usePathname();
  const { wide } = useRoom();
  const rail = letIn && wide && !isTask(path);
  const foot = letIn && !wide && hasFoot(path);
  // One shape whatever is shown: the page in the middle is never made anew for what stands beside it.
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      {rail ? <Rail path={path} /> : null}
      <View style={{ flex: 1 }}>
        <Less width={rail ? RAIL : 0} height={foot ? FOOT_HEIGHT : 0}>
          <View style={{ flex: 1 }}>{children}</View>
        </Less>
        {foot ? <Foot path={path} /> : null}
      </View>
    </View>
  );
};

const Foot = ({ path }: { path: string }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const manager = useMe().data?.staff.role === 'manager';
  const { foot } = placesOf(manager);
  const waiting = useAttentionCount(manager);
  const routes = [
    ...foot.map(({ key, path: to, icon }) => ({ key, title: t(`nav.${key}`), focusedIcon: icon, to })),
    { key: 'more', title: t('nav.more'), focusedIcon: MORE.icon, to: MORE.path },
  ];
  const here = placeAt(path) ?? placeAt(lastPlace());
  const at = path === MORE.path ? -1 : routes.findIndex(({ key }) => key === here);
  const index = at < 0 ? routes.length - 1 : at;
  return (
    <View role="navigation" aria-label={t('nav.title')} style={{ borderTopWidth: 1, borderTopColor: tones.line }}>
      <BottomNavigation.Bar
        navigationState={{ index, routes }}
        onTabPress={({ route }) => router.push(route.to)}
        getTestID={({ route }) => `nav-${route.key}`}
        getBadge={({ route }) => (route.key === 'more' && waiting > 0 ? waiting : undefined)}
        getLabelText={({ route }) => route.title}
        // Paper lays the word twice over itself; it is read and found once.
        renderLabel={({ route, focused }) =>
          focused === (route.key === routes[index]?.key) ? (
            <Bold size={14} tone={focused ? 'primaryText' : 'soft'} style={{ textAlign: 'center' }}>
              {route.title}
            </Bold>
          ) : null
        }
        activeColor={tones.primaryText}
        inactiveColor={tones.soft}
        activeIndicatorStyle={{ backgroundColor: tones.primaryPale }}
        style={{ backgroundColor: tones.board }}
      />
    </View>
  );
};
