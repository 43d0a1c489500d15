import type { Gauge } from '@quay/core/fleet/rows';
import { spokenReading } from '@quay/core/fuel/level';
import { type Read, SIXTEENTHS } from '@quay/core/fuel/typed';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { measures } from '../../ui/units';

/** Why a reading cannot be; nothing where it can. `sixteenths`: a needle is typed in sixteenths of its way. */
export const useReadingFault = (): ((gauge: Gauge, read: Read, sixteenths?: boolean) => string | undefined) => {
  const { t } = useTranslation();
  return (gauge, read, sixteenths = false) => {
    if (read.is === 'back')
      return t(gauge.reads === 'counter' ? 'walk.lowerThanOut' : 'walk.totaliserLower', { v: spokenReading(gauge, read.was, measures()) });
    if (read.is !== 'range') return undefined;
    const [min, max] = sixteenths && gauge.reads === 'needle' ? [0, SIXTEENTHS] : [gauge.min, gauge.max];
    const said = (value: number) => (gauge.reads === 'needle' ? value : measures().figure(value, gauge.unit ?? '', 1));
    return t('walk.outOfRange', { min: said(min), max: said(max) });
  };
};

/** Said of a reading that can be and is not usual. */
export const UnusualReading = ({ read, unit }: { read: Read; unit: string | undefined }) => {
  const { t } = useTranslation();
  if (read.is !== 'read' || !read.unusual) return null;
  const [low, high] = read.unusual;
  const said = (value: number) => measures().figure(value, unit ?? '', 1);
  return <Tag kind="ask">{t('walk.bandOut', { low: said(low), high: said(high) })}</Tag>;
};

/** How many lamps are lit, one press each. */
export const Lamps = ({
  gauge,
  name,
  lit,
  onLit,
  testID,
}: {
  gauge: Gauge;
  name: string;
  lit: number | undefined;
  onLit: (count: number) => void;
  /** Each has its count behind it. */
  testID: string;
}) => {
  const { t } = useTranslation();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={name}>
      {Array.from({ length: Math.round(gauge.max - gauge.min) + 1 }, (_, i) => gauge.min + i).map((count) => (
        <ChoiceChip
          key={count}
          label={t('walk.lampsLit', { count })}
          on={lit === count}
          tone={count > gauge.min ? 'warning' : 'primary'}
          onPress={() => onLit(count)}
          testID={`${testID}-${count}`}
        />
      ))}
    </View>
  );
};
