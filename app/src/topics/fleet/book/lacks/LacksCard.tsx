import type { Lack } from '@quay/core/fleet/lacks/lacks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../../ui/board';
import { Button } from '../../../../ui/controls/button';
import { ListRow } from '../../../../ui/controls/listRow';
import { Body, SlabBold, Small } from '../../../../ui/words';

/** So many are shown at once; the gravest stand first. */
const AT_ONCE = 4;

/** What a book lacks: each says why it matters, and opens the place where it is put right. */
export const LacksCard = ({
  lacks,
  listName,
  onOpen,
}: {
  lacks: readonly Lack[];
  listName: (path: string) => string;
  onOpen: (path: string) => void;
}) => {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  if (lacks.length === 0) return null;
  const shown = all ? lacks : lacks.slice(0, AT_ONCE);
  return (
    <Card style={{ gap: 4 }}>
      <View testID="lacks">
        <SlabBold size={21} heading={2}>
          {t('lack.title', { count: lacks.length })}
        </SlabBold>
      </View>
      <Small>{t('lack.keeps')}</Small>
      {shown.map(({ is, path, about }) => {
        const words = t(`lack.is.${is}`, { about });
        return (
          <ListRow
            key={`${is} ${path}`}
            label={words}
            onPress={() => onOpen(path)}
            testID={`lack-${is}`}
            style={{ paddingVertical: 9, gap: 2 }}
          >
            <Body>{words}</Body>
            <Small>{`${t(`lack.why.${is}`)} · ${listName(path)}`}</Small>
          </ListRow>
        );
      })}
      {lacks.length > AT_ONCE ? (
        <Button
          mode="outlined"
          label={t(all ? 'lack.fewer' : 'lack.all', { count: lacks.length })}
          onPress={() => setAll(!all)}
          style={{ alignSelf: 'flex-start' }}
          testID="all-lacks"
        />
      ) : null}
    </Card>
  );
};
