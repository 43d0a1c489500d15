import type { Starter } from '@quay/contract/newBoat';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../../ui/board';
import { ListRow } from '../../../ui/controls/listRow';
import { Plan } from '../../../ui/drawn/plan';
import { useRoom } from '../../../ui/room';
import { measures } from '../../../ui/units';
import { Bold, SlabBold, Small } from '../../../ui/words';

/** Height of the drawing of a starter, px. */
const DRAWN = 96;

/** Kinds of boats to begin from, each drawn from above, and boats that are there. */
export const StarterChoice = ({
  starters,
  sisters,
  onStarter,
  onSister,
}: {
  starters: readonly Starter[];
  sisters: readonly { id: string; name: string; className: string }[];
  onStarter: (id: string) => void;
  onSister: (boat: { id: string; name: string }) => void;
}) => {
  const { t } = useTranslation();
  const { width, wide } = useRoom();
  const columns = wide ? 3 : 1;
  const side = Math.floor((Math.min(width, 1100) - 24 - (columns - 1) * 12) / columns);
  return (
    <View style={{ padding: 12, gap: 12 }}>
      <SlabBold size={24} heading={2}>
        {t('newBoat.choose')}
      </SlabBold>
      <Small>{t('newBoat.chooseWhy')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 12 }}>
        {starters.map(({ id, name, plan, stations, usual }) => (
          <View key={id} style={{ width: side }}>
            <Card style={{ padding: 0 }}>
              <ListRow label={name} onPress={() => onStarter(id)} testID={`starter-${id}`} style={{ borderRadius: 14, overflow: 'hidden' }}>
                <View>
                  <Plan plan={plan} stations={stations} stops={[]} width={side} height={DRAWN} />
                  <View style={{ padding: 12, gap: 2 }}>
                    <SlabBold size={21}>{name}</SlabBold>
                    <Small>{t('newBoat.upTo', { length: measures().metres(usual.lengthM), count: usual.people })}</Small>
                  </View>
                </View>
              </ListRow>
            </Card>
          </View>
        ))}
      </View>
      {sisters.length > 0 ? (
        <Card style={{ gap: 2 }}>
          <SlabBold size={21} heading={2}>
            {t('newBoat.sisters')}
          </SlabBold>
          {sisters.map((boat) => (
            <ListRow
              key={boat.id}
              label={t('newBoat.sister', { name: boat.name })}
              onPress={() => onSister(boat)}
              testID={`sister-${boat.id}`}
              style={{ paddingVertical: 8, minHeight: 52, justifyContent: 'center' }}
            >
              <View>
                <Bold>{t('newBoat.sister', { name: boat.name })}</Bold>
                <Small>{boat.className}</Small>
              </View>
            </ListRow>
          ))}
        </Card>
      ) : null}
    </View>
  );
};
