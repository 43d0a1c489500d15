import { isEntered, currentOf } from '@quay/core/events/record';
import { closed } from '@quay/core/settlement/events';
import { surfaceSeen } from '@quay/core/condition/events';
import type { Comparison } from '@quay/contract/compare';
import { statementPdf } from '@quay/contract/hire';
import { say } from '@quay/core/words/words';
import { chargedOf, type Standing, standingsOf } from '@quay/core/settlement/correction';
import { settle } from '@quay/core/settlement/settle';
import { numberText } from '@quay/core/number/statementNumber';
import type { Line } from '@quay/core/settlement/statement';
import { useMutation } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { callForFile, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { saveFile } from '../../platform/browser';
import { Picture } from '../photo/picture';
import { Card, Notice, Tag } from '../../ui/board';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { OverSheet } from '../photo/compare/OverSheet';
import { pairOf, useComparisons } from '../photo/compare/useComparisons';
import { useStopWords } from '../../i18n/stopWords';
import { useLineText } from '../settlement/lineWords';
import { WordSheet } from '../settlement/WordSheet';
import { Page } from './Page';
import { useRenting } from './RenterFace';

/** The renter's own copy: what they are asked for and why, both pictures, and their word on every line. */
export const RenterStatement = () => (useStopWords() ? <Copy /> : null);

const Copy = () => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const { pack, record, view } = useRenting();
  const { hire, prices } = pack;
  const { statement } = useMemo(() => settle(record, pack), [record, pack]);
  const closing = currentOf(record, ['closed'], closed)?.value;
  const standings = useMemo(() => (closing ? standingsOf(record, statement) : []), [closing, record, statement]);
  const [disputing, setDisputing] = useState<Line>();
  const compared = useComparisons(hire.id, isEntered(record, ['in', 'sealed']));
  const paper = useMutation({
    mutationFn: async () =>
      saveFile(await callForFile(statementPdf, { params: { hireId: hire.id } }), `statement-${closing?.number ?? 'draft'}.pdf`),
  });
  const answer = async (line: Line, what: 'accepted' | 'disputed', remark?: string) => {
    setDisputing(undefined);
    await view.add([
      closing && what === 'disputed'
        ? { kind: 'lineContested', line: line.key, remark: remark ?? '' }
        : { kind: 'lineAnswered', line: line.key, answer: what, ...(remark ? { remark } : {}) },
    ]);
  };
  if (!isEntered(record, ['in', 'sealed']))
    return (
      <Page title={t('bill.title')}>
        <Notice kind="ask" title={t('bill.notYet')} />
      </Page>
    );
  const sum = (label: string, minor: number) => (
    <View style={{ flexDirection: 'row', justifyContent: 'space-between', alignItems: 'baseline' }}>
      <Body>{label}</Body>
      <Money minor={minor} currency={prices.currency} size={21} />
    </View>
  );
  const charged = closing ? chargedOf(standings) : statement.totalMinor;
  return (
    <Page
      title={closing ? t('bill.number', { n: numberText(closing.number, closing.prefix) }) : t('bill.title')}
      footer={<Button mode="contained" label={t('bill.pdf')} busy={paper.isPending} onPress={() => paper.mutate()} testID="bill-pdf" />}
    >
      {paper.error ? <Notice kind="stop" title={paper.error instanceof NoAnswer ? t('bill.offline') : errorWords(paper.error)} /> : null}
      <Card style={{ gap: 4 }}>
        <Small>{t(closing ? 'bill.closed' : 'bill.draft')}</Small>
        <Money minor={charged} currency={prices.currency} size={40} />
        {sum(t('bill.held'), statement.deposit.heldMinor)}
        {sum(t('bill.back'), statement.deposit.releasedMinor)}
        {statement.deposit.stillHeldMinor > 0 ? sum(t('bill.kept'), statement.deposit.stillHeldMinor) : null}
        {statement.balanceMinor > 0 ? sum(t('bill.owed'), statement.balanceMinor) : null}
      </Card>
      {statement.open.length > 0 ? (
        <Notice kind="ask" title={t('bill.looking', { count: statement.open.length })} />
      ) : statement.lines.length === 0 ? (
        <Notice kind="ok" title={t('bill.nothing')} />
      ) : null}
      {statement.lines.map((line) => (
        <OneLine
          key={line.key}
          line={line}
          compared={compared}
          standing={standings.find((one) => one.line.key === line.key)}
          onAccept={() => void answer(line, 'accepted')}
          onDispute={() => setDisputing(line)}
        />
      ))}
      <Small>{t('bill.why')}</Small>
      {disputing ? (
        <WordSheet
          title={t('bill.dispute')}
          label={t('bill.remark')}
          go={t('bill.send')}
          onGo={(text) => void answer(disputing, 'disputed', text)}
          onClose={() => setDisputing(undefined)}
        />
      ) : null}
    </Page>
  );
};

const OneLine = ({
  line,
  compared,
  standing,
  onAccept,
  onDispute,
}: {
  line: Line;
  compared: readonly Comparison[];
  standing: Standing | undefined;
  onAccept: () => void;
  onDispute: () => void;
}) => {
  const { t } = useTranslation();
  const { pack, record, language } = useRenting();
  const { finding, state, key, quantity, price } = line;
  const money = useMoney(pack.prices.currency);
  const text = useLineText(pack.prices)(line);
  const surface = finding.topic === 'mark' ? finding.surface : undefined;
  const pictures = (['out', 'in'] as const).map((walk) => {
    const mark = finding.topic === 'mark' ? finding[walk] : undefined;
    const looked = surface ? currentOf(record, [walk, 'surface', surface.id], surfaceSeen)?.value.photos : undefined;
    return { walk, sha: mark?.photos[0] ?? looked?.at(-1) };
  });
  const pair = surface && pairOf(record, compared, surface.id);
  const [over, setOver] = useState(false);
  const others = 'photos' in finding ? finding.photos : [];
  const contested = isEntered(record, ['contested', key]);
  const minor = standing && !standing.open ? standing.chargedMinor : line.amountMinor;
  const disputed = state === 'disputed' || contested;
  return (
    <Card style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
        <SlabBold size={20} style={{ flex: 1 }} heading={2}>
          {text.title}
        </SlabBold>
        {minor === undefined ? <Bold>{t('bill.later')}</Bold> : <Money minor={minor} currency={pack.prices.currency} size={26} />}
      </View>
      {text.about.map((one) => (
        <Small key={one}>{one}</Small>
      ))}
      {quantity !== 1 && price ? <Small>{`${quantity} × ${money(price.amountMinor)}`}</Small> : null}
      {surface ? (
        <View style={{ flexDirection: 'row', gap: 8 }}>
          {pictures.map(({ walk, sha }) => (
            <View key={walk} style={{ flex: 1, gap: 3 }}>
              <Small>{t(`bill.${walk}`)}</Small>
              {sha ? (
                <Picture
                  hire={pack.hire.id}
                  sha={sha}
                  alt={`${t(`bill.${walk}`)}, ${say(surface.name, language)}`}
                  width="100%"
                  height={120}
                />
              ) : (
                <Small>{t('bill.noPicture')}</Small>
              )}
            </View>
          ))}
        </View>
      ) : null}
      {surface && pair ? (
        <Button
          mode="outlined"
          label={t('over.open')}
          onPress={() => setOver(true)}
          style={{ alignSelf: 'flex-start' }}
          testID={`over-${key}`}
        />
      ) : null}
      {surface && pair && over ? <OverSheet hireId={pack.hire.id} surface={surface} pair={pair} onClose={() => setOver(false)} /> : null}
      {others.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {others.map((sha, i) => (
            <Picture key={sha} hire={pack.hire.id} sha={sha} alt={t('photo.of', { n: i + 1, name: text.title })} width={120} height={80} />
          ))}
        </View>
      ) : null}
      {disputed ? <Tag kind="stop">{t(standing && !standing.open ? 'bill.settled' : 'bill.disputed')}</Tag> : null}
      {state === 'waived' ? (
        <Tag kind="ok">{t('bill.waived')}</Tag>
      ) : standing ? (
        standing.open || disputed ? null : (
          <Button mode="outlined" label={t('bill.disputeAfter')} onPress={onDispute} testID={`bill-dispute-${key}`} />
        )
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={text.title}>
          <ChoiceChip label={t('bill.accept')} on={state === 'accepted'} onPress={onAccept} testID={`bill-accept-${key}`} />
          <ChoiceChip label={t('bill.dispute')} on={disputed} tone="danger" onPress={onDispute} testID={`bill-dispute-${key}`} />
        </View>
      )}
    </Card>
  );
};
