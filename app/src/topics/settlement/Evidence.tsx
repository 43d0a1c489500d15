import { currentAt } from '@quay/core/events/record';
import { mdiClose } from '@mdi/js';
import type { Standing } from '@quay/core/settlement/correction';
import type { Line } from '@quay/core/settlement/statement';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import type { HireView } from '../../local/hire';
import { Notice } from '../../ui/board';
import { Button, IconButton } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, SlabBold, Small } from '../../ui/words';
import { FindingDetail } from '../findings/FindingDetail';
import { useFindingWords } from '../findings/findingWords';
import type { LineDoing } from './LineCard';
import { useLineText } from './lineWords';

/** What a line rests on: both pictures, what was counted or read, what was told, and why it comes to what it does. A sheet on a phone; on a desk it lies beside the lines. */
export const Evidence = ({
  view,
  line,
  standing,
  manager,
  onDo,
  onClose,
  panel,
}: {
  view: HireView;
  line: Line;
  standing: Standing | undefined;
  manager: boolean;
  onDo: (what: LineDoing) => void;
  onClose: () => void;
  /** Its width beside the lines, px; else it is a sheet over them. */
  panel: number | undefined;
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
    const found =
      finding.topic === 'extra'
        ? currentAt(view.record, ['extra', finding.extra])
        : finding.topic === 'receipt'
          ? currentAt(view.record, ['receipt', finding.receipt])
          : undefined;
    if (!found) return;
    const added = await view.undo(found.currentEvents);
    snack({ text: t('settle.takenOut'), undo: () => void view.undo(added) });
    onClose();
  };
  const entered = finding.topic === 'extra' || finding.topic === 'receipt';
  const actions = [
    ...(manager && !standing
      ? [
          <Button
            mode="outlined"
            key="waive"
            label={t(state === 'waived' ? 'settle.unwaive' : 'statement.waive')}
            onPress={() => set(state === 'waived' ? 'proposed' : 'waived')}
            testID={`waive-${key}`}
          />,
        ]
      : []),
    ...(manager && !standing && (amountMinor ?? 0) >= 0
      ? [<Button mode="outlined" key="quote" label={t('settle.quote')} onPress={() => onDo('quote')} testID={`quote-${key}`} />]
      : []),
    ...(entered && !standing
      ? [<Button mode="outlined" key="out" label={t('settle.takeOut')} onPress={() => void takeOut()} testID={`take-out-${key}`} />]
      : []),
    ...(manager && standing && !standing.open
      ? [<Button mode="outlined" key="right" label={t('settle.putRight')} onPress={() => onDo('decide')} testID={`decide-${key}`} />]
      : []),
    ...(standing && !standing.open && standing.chargedMinor > 0
      ? [<Button mode="outlined" key="contest" label={t('settle.contest')} onPress={() => onDo('contest')} testID={`contest-${key}`} />]
      : []),
  ];
  const rests = (room: number) => (
    <>
      {line.untold ? <Notice kind="ask" title={t('settle.untold')} /> : null}
      <View style={{ gap: 4 }}>
        {text.about.map((one) => (
          <Body key={one}>{one}</Body>
        ))}
      </View>
      <FindingDetail view={view} finding={line.finding} words={words} width={room} />
      {pictured ? null : <Small>{t('settle.noEvidence')}</Small>}
    </>
  );
  const footer = actions.length > 0 ? <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>{actions}</View> : undefined;
  if (panel !== undefined)
    return (
      <View style={{ gap: 10 }} role="region" aria-label={text.title}>
        <View style={{ flexDirection: 'row', alignItems: 'flex-start' }}>
          <SlabBold size={22} heading={2} style={{ flex: 1, paddingTop: 10 }}>
            {text.title}
          </SlabBold>
          <IconButton path={mdiClose} label={t('common.close')} onPress={onClose} plain />
        </View>
        {rests(panel)}
        {footer}
      </View>
    );
  return (
    <ModalSheet title={text.title} closeLabel={t('common.close')} onClose={onClose} footer={footer}>
      {rests(Math.min(width, 640) - 36)}
    </ModalSheet>
  );
};
