import type { Finding } from '@quay/core/findings/finding';
import { needsDecision } from '@quay/core/findings/findings';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { ListRow } from '../../ui/controls/listRow';
import { useRoom } from '../../ui/room';
import { useTones } from '../../ui/theme';
import { Bold, Slab, Small } from '../../ui/words';
import type { FindingWords } from './findingWords';

/** Shares of the width that what it is, each walk, and what is proposed take on a desk. */
const SHARES = { what: 1.5, walk: 0.62, proposed: 1 };

/** What stands over the columns, on a desk. */
export const FindingHead = () => {
  const { t } = useTranslation();
  return (
    <View style={{ flexDirection: 'row', gap: 10, paddingHorizontal: 9, paddingBottom: 4 }} aria-hidden>
      <Small size={14} style={{ flex: SHARES.what, marginLeft: 40 }}>
        {t('compare.what')}
      </Small>
      <Small size={14} style={{ flex: SHARES.walk }}>
        {t('compare.out')}
      </Small>
      <Small size={14} style={{ flex: SHARES.walk }}>
        {t('compare.in')}
      </Small>
      <Small size={14} style={{ flex: SHARES.proposed }}>
        {t('compare.proposed')}
      </Small>
    </View>
  );
};

/** One difference: what it is, departure beside return, what is proposed. */
export const FindingRow = ({
  nth,
  finding,
  words,
  on,
  onOpen,
}: {
  /** Its number in the list and on the plan, from 1. */
  nth: number;
  finding: Finding;
  words: FindingWords;
  on: boolean;
  onOpen: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { wide } = useRoom();
  const waits = needsDecision(finding);
  return (
    <ListRow
      label={`${words.what}, ${words.is}`}
      onPress={onOpen}
      testID={`finding-${finding.key}`}
      style={{
        borderTopWidth: nth === 1 ? 0 : 1,
        borderTopColor: tones.line,
        borderRadius: on ? 12 : 0,
        backgroundColor: on ? tones.card : 'transparent',
      }}
    >
      <View style={{ flexDirection: 'row', gap: 10, padding: 9, alignItems: 'center' }}>
        <View
          style={{
            width: 30,
            height: 30,
            borderRadius: 15,
            borderWidth: 2,
            borderColor: tones.ink,
            backgroundColor: waits ? tones.warning : tones.card,
            alignItems: 'center',
            justifyContent: 'center',
          }}
        >
          <Slab size={16} tone={waits ? 'onWarning' : 'ink'}>
            {nth}
          </Slab>
        </View>
        <View style={{ flex: wide ? SHARES.what : 1, gap: 2 }}>
          <Bold>{words.what}</Bold>
          {words.why ? <Small size={14}>{words.why}</Small> : null}
          {!wide && (words.out || words.in) ? (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 6 }}>
              <Small size={14}>{t('compare.out')}</Small>
              <Slab size={19} tone="soft">
                {words.out}
              </Slab>
              <Small size={14}>{t('compare.in')}</Small>
              <Slab size={21}>{words.in}</Slab>
            </View>
          ) : null}
        </View>
        {wide
          ? (['out', 'in'] as const).map((walk) => (
              <Slab key={walk} size={walk === 'out' ? 18 : 20} tone={walk === 'out' ? 'soft' : 'ink'} style={{ flex: SHARES.walk }}>
                {words[walk]}
              </Slab>
            ))
          : null}
        <View style={wide ? { flex: SHARES.proposed, gap: 2 } : { maxWidth: 130, gap: 2 }}>
          <Tag kind={words.tag}>{words.is}</Tag>
          {words.price ? <Small size={14}>{words.price}</Small> : null}
        </View>
      </View>
    </ListRow>
  );
};
