import type { Preview, PreviewRow } from '@quay/contract/exchange';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag, type TagKind } from '../../../ui/board';
import { PickField } from '../../../ui/pickField';
import { whenOf } from '../../../ui/format';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

const TAGS: Record<PreviewRow['is'], TagKind> = {
  new: 'ok',
  changed: 'ask',
  cancelled: 'ask',
  gone: 'ask',
  conflict: 'stop',
  same: 'calm',
  past: 'calm',
};
/** So many rows are drawn; the rest is counted. */
const SHOWN = 120;
const FAULTS_SHOWN = 40;

/** What a file would change: how many of which, what stands in the way of whom, what cannot be read. */
export const PreviewCard = ({
  preview,
  zone,
  now,
  onBoat,
}: {
  preview: Preview;
  zone: string;
  now: number;
  /** What is called so there is this boat of ours. */
  onBoat: (name: string, boat: string | undefined) => void;
}) => {
  const { t, i18n } = useTranslation();
  const { counts, rows, faults, faultCount, unknownBoats, boats } = preview;
  const nameOf = (id: string | null) => boats.find((boat) => boat.id === id)?.name ?? '';
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const why = (row: PreviewRow): string => {
    if (row.is === 'conflict' && row.why) return t(`exchange.why.${row.why}`, { names: row.with.join(', ') });
    if (row.is === 'changed') return row.changes.map((field) => t(`exchange.followed.${field}`)).join(', ');
    return '';
  };
  const said = (Object.keys(counts) as (keyof typeof counts)[]).filter((is) => counts[is] > 0);
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('exchange.preview')}
      </SlabBold>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {said.map((is) => (
          <Tag key={is} kind={TAGS[is]} size={16}>
            {t(`exchange.count.${is}`, { count: counts[is] })}
          </Tag>
        ))}
        {faultCount > 0 ? (
          <Tag kind="stop" size={16}>
            {t('exchange.faults', { count: faultCount })}
          </Tag>
        ) : null}
      </View>
      {said.length === 0 && faultCount === 0 ? <Body>{t('exchange.nothingInIt')}</Body> : null}
      {unknownBoats.length > 0 ? (
        <Notice kind="ask" title={t('exchange.unknownBoats')}>
          <View style={{ gap: 8 }}>
            {unknownBoats.map(({ text, count }) => (
              <PickField
                key={text}
                label={t('exchange.called', { count, name: text === '' ? t('exchange.noName') : text })}
                none={t('exchange.leftOut')}
                options={text === '' ? [] : boats}
                value={undefined}
                onChange={(boat) => onBoat(text, boat)}
                testID={`boat-called-${text}`}
              />
            ))}
          </View>
        </Notice>
      ) : null}
      {rows.slice(0, SHOWN).map((row) => (
        <View key={`${row.is}/${row.key}`} style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }} testID={`row-${row.is}`}>
          <View style={{ flex: 1 }}>
            <Bold size={16}>{[row.renter, nameOf(row.boat)].filter(Boolean).join(' · ')}</Bold>
            {row.from && row.to ? <Small>{t('newHire.span', { from: when(row.from), to: when(row.to) })}</Small> : null}
            {why(row) === '' ? null : <Small tone={row.is === 'conflict' ? 'dangerText' : 'soft'}>{why(row)}</Small>}
          </View>
          <Tag kind={TAGS[row.is]}>{t(`exchange.is.${row.is}`)}</Tag>
        </View>
      ))}
      {rows.length > SHOWN ? <Small>{t('exchange.more', { count: rows.length - SHOWN })}</Small> : null}
      {faults.length > 0 ? (
        <View style={{ gap: 4 }}>
          <Bold>{t('exchange.cannotRead')}</Bold>
          {faults.slice(0, FAULTS_SHOWN).map((fault, i) => (
            // Two faults of one line may be alike.
            <Small key={`${fault.at}/${fault.is}/${i}`}>{`${fault.at}: ${t(`exchange.fault.${fault.is}`, { text: fault.text })}`}</Small>
          ))}
          {faultCount > FAULTS_SHOWN ? <Small>{t('exchange.more', { count: faultCount - FAULTS_SHOWN })}</Small> : null}
        </View>
      ) : null}
    </Card>
  );
};
