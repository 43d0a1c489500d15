import type { BoatChoice } from '@quay/contract/booking';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag, type TagKind } from '../../ui/board';
import { whenOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { useTones } from '../../ui/theme';
import { Bold, Small } from '../../ui/words';

const TAGS: Record<BoatChoice['is'], TagKind> = { free: 'ok', tight: 'ask', taken: 'stop', tooSmall: 'calm' };

/** The boats of a base for some hours and people: free ones first, and of the others what stands in the way and when they are free. */
export const BoatChoices = ({
  boats,
  chosen,
  zone,
  now,
  onChoose,
  onMove,
  onOpen,
}: {
  boats: readonly BoatChoice[];
  chosen: string | undefined;
  zone: string;
  now: number;
  onChoose: (boat: string) => void;
  /** Moves the hire to when this boat is first free. */
  onMove?: (boat: string, from: string) => void;
  /** Opens the hire that stands in the way. */
  onOpen?: (hire: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const why = ({ is, clashes, people }: BoatChoice): string => {
    if (is === 'tooSmall') return t('newHire.tooSmall', { count: people });
    const [clash] = clashes.filter((one) => is === 'tight' || one.is === 'overlaps');
    if (!clash) return t('newHire.free');
    if (clash.hire === null)
      return clash.to === null
        ? t('newHire.outOfService', { why: clash.renter })
        : t('newHire.outOfServiceUntil', { why: clash.renter, to: when(clash.to) });
    return is === 'taken'
      ? t('newHire.taken', { renter: clash.renter, from: when(clash.from), to: when(clash.to ?? clash.from) })
      : t('newHire.tight', { count: clash.minutes, renter: clash.renter });
  };
  return (
    <View role="radiogroup" aria-label={t('newHire.boat')} style={{ gap: 8 }}>
      {boats.map((one) => {
        const on = one.id === chosen;
        return (
          <View
            key={one.id}
            style={{ borderRadius: 13, borderWidth: 2, borderColor: on ? tones.primary : tones.line, backgroundColor: tones.card }}
          >
            <TouchableRipple
              role="radio"
              aria-checked={on}
              aria-label={`${one.name}, ${why(one)}`}
              onPress={() => onChoose(one.id)}
              testID={`boat-${one.id}`}
              style={{ minHeight: 60, paddingHorizontal: 13, paddingVertical: 9, gap: 4, borderRadius: 11 }}
            >
              <>
                <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 8 }}>
                  <Bold size={18}>{one.name}</Bold>
                  <Small>{t('newHire.upTo', { hull: one.hullNumber, count: one.people })}</Small>
                </View>
                <Tag kind={TAGS[one.is]}>{why(one)}</Tag>
                {one.freeFrom === null ? null : <Small>{t('newHire.freeFrom', { when: when(one.freeFrom) })}</Small>}
              </>
            </TouchableRipple>
            {onOpen ? (
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingHorizontal: 10 }}>
                {(on ? one.clashes : []).flatMap(({ hire, renter }) =>
                  hire === null
                    ? []
                    : [
                        <Button
                          key={hire}
                          mode="outlined"
                          label={t('change.otherHire', { renter })}
                          onPress={() => onOpen(hire)}
                          testID={`clash-${hire}`}
                          style={{ marginBottom: 10 }}
                        />,
                      ],
                )}
              </View>
            ) : null}
            {onMove && on && one.freeFrom !== null ? (
              <View style={{ padding: 10, paddingTop: 0, alignItems: 'flex-start' }}>
                <Button
                  mode="outlined"
                  label={t('newHire.moveTo', { when: when(one.freeFrom) })}
                  onPress={() => onMove(one.id, one.freeFrom!)}
                  testID={`move-${one.id}`}
                />
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );
};
