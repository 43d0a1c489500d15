import { minutesThere } from '@quay/core/briefing/ofHire';
import { LANGUAGES } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

/** How long the telling takes against the minutes there are, and the way to set them. */
export const BriefingLine = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { briefing, record, pack } = view;
  const there = minutesThere(record, pack);
  return (
    <View style={{ gap: 8, paddingBottom: 8 }}>
      {briefing.overBy > 0 ? <Notice kind="ask" title={t('brief.over', { n: Math.ceil(briefing.overBy / 60) })} /> : null}
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', gap: 10 }}>
        <Small style={{ flex: 1 }}>
          {[t('brief.planned', { n: Math.round(briefing.seconds / 60), there }), view.theirs.toUpperCase()].join(' · ')}
        </Small>
        <Button mode="outlined" label={t('brief.setMinutes')} onPress={() => setOpen(true)} testID="set-minutes" />
      </View>
      {open ? <MinutesSheet view={view} there={there} onClose={() => setOpen(false)} /> : null}
    </View>
  );
};

const MinutesSheet = ({ view, there, onClose }: { view: WalkView; there: number; onClose: () => void }) => {
  const { t } = useTranslation();
  const [text, setText] = useState(String(there));
  const minutes = Number(text);
  const good = /^\d{1,3}$/.test(text.trim()) && minutes >= 1 && minutes <= 180;
  return (
    <ModalSheet
      title={t('brief.minutes')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('walk.keepReading')}
          disabled={!good}
          testID="keep-minutes"
          onPress={() => {
            void view.enter([{ kind: 'briefingSet', minutes }], t('walk.kept', { what: t('brief.minutes') }));
            onClose();
          }}
        />
      }
    >
      <TextField
        label={t('brief.minutes')}
        value={text}
        numeric
        unit="min"
        onChange={setText}
        fault={good ? undefined : t('walk.outOfRange', { min: 1, max: 180 })}
        testID="minutes"
      />
      <Small>{t('brief.language')}</Small>
      <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('brief.language')}>
        {LANGUAGES.map((one) => (
          <ChoiceChip
            key={one}
            label={one.toUpperCase()}
            on={view.theirs === one}
            onPress={() => void view.add([{ kind: 'languageChosen', language: one }])}
            testID={`theirs-${one}`}
          />
        ))}
      </View>
    </ModalSheet>
  );
};
