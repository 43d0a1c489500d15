import { layOver } from '@quay/core/waters/layOver';
import { type Waters, ZONE_KINDS, type ZoneKind } from '@quay/core/waters/zone';
import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Choices } from '../../../ui/controls/choices';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Body, Bold, Small } from '../../../ui/words';
import { optionName } from '../book/optionName';

/** So many are told by name. */
const TOLD = 30;

/** What a file would change of a water, before anything is kept. */
export const LaySheet = ({
  waters,
  content,
  fault,
  busy,
  onKeep,
  onClose,
}: {
  waters: Waters;
  content: string;
  fault: string | undefined;
  busy: boolean;
  onKeep: (next: Waters) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const [kind, setKind] = useState<ZoneKind>();
  const laid = useMemo(() => layOver(waters, content, kind), [waters, content, kind]);
  const refused = typeof laid === 'string' ? laid : undefined;
  const found = typeof laid === 'string' ? undefined : laid;
  // Once somebody had to say what they are, they may say so again.
  const asks = found !== undefined && (kind !== undefined || found.faults.some(({ is }) => is === 'noKind'));
  const changes = found ? found.added.length + found.changed.length : 0;
  const names = (title: string, list: readonly { id: string; properties: { name: string } }[]) =>
    list.length === 0 ? null : (
      <View>
        <Bold>{title}</Bold>
        {list.slice(0, TOLD).map(({ id, properties: { name } }) => (
          <Body key={id}>{name}</Body>
        ))}
        {list.length > TOLD ? <Small>{t('waters.andMore', { count: list.length - TOLD })}</Small> : null}
      </View>
    );
  return (
    <ModalSheet
      title={t('waters.lay')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        found ? (
          <Button
            mode="contained"
            label={t('waters.layGo')}
            disabled={changes === 0}
            busy={busy}
            onPress={() => onKeep(found.waters)}
            testID="lay-go"
          />
        ) : undefined
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      {refused ? <Notice kind="stop" title={t(`waters.refused.${refused}`)} /> : null}
      {asks ? (
        <View style={{ gap: 6 }}>
          <Bold>{t('waters.whatAreThey')}</Bold>
          <Choices
            label={t('waters.whatAreThey')}
            options={ZONE_KINDS}
            labelOf={(one) => optionName('zone', one, t)}
            value={kind}
            onChange={setKind}
            testID="lay-kind"
          />
        </View>
      ) : null}
      {found ? (
        <>
          {names(t('waters.added', { count: found.added.length }), found.added)}
          {names(t('waters.changed', { count: found.changed.length }), found.changed)}
          <Small>{t('waters.same', { count: found.same })}</Small>
          {found.faults.slice(0, TOLD).map(({ feature, is, at }, i) => (
            <Notice key={i} kind="ask" title={`${feature}: ${t(`waters.fault.${is}`, { at: at ?? '' })}`} />
          ))}
        </>
      ) : null}
    </ModalSheet>
  );
};
