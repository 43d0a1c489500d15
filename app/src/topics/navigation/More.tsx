import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Badge, List } from 'react-native-paper';
import { useMe } from '../../local/session';
import { Card } from '../../ui/board';
import { Screen } from '../../ui/screen';
import { FACE, useTones } from '../../ui/theme';
import { placesOf } from './places';
import { useAttentionCount } from './useAttentionCount';

/** The places that have no room at the foot of a phone. */
export const More = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const me = useMe().data;
  const manager = me?.staff.role === 'manager';
  const waiting = useAttentionCount(manager);
  return (
    <Screen title={t('nav.more')} {...(me ? { sub: `${me.staff.name} · ${me.operator.name}` } : {})} measure={640}>
      <View style={{ padding: 12 }}>
        <Card style={{ padding: 0, paddingVertical: 6 }}>
          {placesOf(manager).behindMore.map(({ key, path, icon }) => (
            <List.Item
              key={key}
              title={t(`nav.${key}`)}
              description={t(`more.${key}`)}
              onPress={() => router.push(path)}
              testID={`open-${key}`}
              role="link"
              style={{ minHeight: 68, paddingLeft: 12, paddingRight: 12 }}
              titleStyle={{ fontFamily: FACE.slab, fontSize: 21, lineHeight: 25, color: tones.ink }}
              descriptionStyle={{ fontSize: 15, lineHeight: 20, color: tones.soft }}
              descriptionNumberOfLines={3}
              left={({ style }) => <List.Icon icon={icon} color={tones.primaryText} style={style} />}
              right={({ style }) =>
                key === 'attention' && waiting > 0 ? (
                  <Badge
                    size={28}
                    style={{ ...style, alignSelf: 'center', backgroundColor: tones.danger, color: tones.onDanger, fontSize: 15 }}
                  >
                    {waiting}
                  </Badge>
                ) : null
              }
            />
          ))}
        </Card>
      </View>
    </Screen>
  );
};
