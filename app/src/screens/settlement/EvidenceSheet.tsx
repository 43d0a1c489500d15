import type { Standing } from '@quay/core/settlement/correction';
import type { Line } from '@quay/core/settlement/statement';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import type { HireView } from '../../data/hire';
import { Notice } from '../../ui/board';
import { Alt } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useSnack } from '../../ui/snack';
import { WIDE } from '../../ui/theme';
import { Body, Small } from '../../ui/words';
import { FindingDetail } from '../condition/FindingDetail';
import { useFindingWords } from '../condition/findingWords';
import type { LineDoing } from './LineCard';
import { useLineText } from './lineWords';

/** What a line rests on: both pictures, what was counted or read, what was told, and why it comes to what it does. */
export const EvidenceSheet = ({
  view,
  line,
  standing,
  manager,
  onDo,
  onClose,
}: {
  view: HireView;
  line: Line;
  standing: Standing | undefined;
  manager: boolean;
  onDo: (what: LineDoing) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const { width } = useWindowDimensions();
  const { pack } = view;
  const words = useFindingWords(pack)(line.finding, line);
  const text = useLineText(pack.prices)(line);
  const pictured = line.finding.topic === 'mark' || ('photos' in line.finding && line.finding.photos.length > 0);
  const { key, state, amountMinor, finding } = line;
  const set = (next: Line['state']) => void view.add([{ kind: 'lineDecided', line: key, state: next }]).then(onClose);
  const takeOut = async () => {
    const found = view.record.slots.get(finding.key);
    if (!found) return;
    const held = await view.undo(found.standing);
    snack({ text: t('settle.takenOut'), undo: () => void view.undo(held) });
    onClose();
  };
  const entered = finding.topic === 'extra' || finding.topic === 'receipt';
  const actions = [
    ...(manager && !standing
      ? [
          <Alt
            key="waive"
            label={t(state === 'waived' ? 'settle.unwaive' : 'statement.waive')}
            onPress={() => set(state === 'waived' ? 'proposed' : 'waived')}
            testID={`waive-${key}`}
          />,
        ]
      : []),
    ...(manager && !standing && (amountMinor ?? 0) >= 0
      ? [<Alt key="quote" label={t('settle.quote')} onPress={() => onDo('quote')} testID={`quote-${key}`} />]
      : []),
    ...(entered && !standing
      ? [<Alt key="out" label={t('settle.takeOut')} onPress={() => void takeOut()} testID={`take-out-${key}`} />]
      : []),
    ...(manager && standing && !standing.open
      ? [<Alt key="right" label={t('settle.putRight')} onPress={() => onDo('decide')} testID={`decide-${key}`} />]
      : []),
    ...(standing && !standing.open && standing.chargedMinor > 0
      ? [<Alt key="contest" label={t('settle.contest')} onPress={() => onDo('contest')} testID={`contest-${key}`} />]
      : []),
  ];
  return (
    <Sheet
      title={text.title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={actions.length > 0 ? <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>{actions}</View> : undefined}
    >
      {line.untold ? <Notice kind="ask" title={t('settle.untold')} /> : null}
      <View style={{ gap: 4 }}>
        {text.about.map((one) => (
          <Body key={one}>{one}</Body>
        ))}
      </View>
      <FindingDetail view={view} finding={line.finding} words={words} width={Math.min(width, width >= WIDE ? 640 : width) - 36} />
      {pictured ? null : <Small>{t('settle.noEvidence')}</Small>}
    </Sheet>
  );
};
