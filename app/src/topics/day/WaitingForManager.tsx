import { say } from '@quay/core/words/words';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { attentionQuery } from '../../local/attention';
import { Tag } from '../../ui/board';
import { ListRow } from '../../ui/controls/listRow';
import { Slab, SlabBold } from '../../ui/words';
import { tagOf } from './attentionTag';

/** So many of what waits are named beside the day; the page has all. */
const NAMED = 4;

/** On a desk, beside the day: the first of what waits for a manager. */
export const WaitingForManager = () => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const matters = useQuery({ ...attentionQuery, refetchInterval: 60_000 }).data?.matters ?? [];
  if (matters.length === 0) return null;
  return (
    <View style={{ paddingHorizontal: 16, gap: 6 }}>
      <SlabBold size={21} heading={2}>
        {t('nav.attention')}
      </SlabBold>
      {matters.slice(0, NAMED).map(({ key, kind, count, thing, boatName }) => {
        const what = t(`attention.${kind}`, { count, thing: thing ? say(thing, i18n.language) : '' });
        const name = boatName ?? t('attention.quay');
        return (
          <ListRow key={key} label={`${name}, ${what}`} onPress={() => router.push('/attention')} testID={`waiting-${key}`}>
            <View style={{ paddingVertical: 8, gap: 4 }}>
              <Slab size={19}>{name}</Slab>
              <Tag kind={tagOf(kind)}>{what}</Tag>
            </View>
          </ListRow>
        );
      })}
    </View>
  );
};
