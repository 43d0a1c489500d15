import { currentOf } from '@quay/core/events/record';
import { brimmed } from '@quay/core/fuel/events';
import type { Tank } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { TextField } from '../../ui/controls/textField';
import { fieldText } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { measures } from '../../ui/units';
import { Body } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';

/** A tank filled to the brim on this walk, and what the pump's meter said; said again it can be corrected or taken back. */
export const BrimSheet = ({ view, tank, onClose }: { view: WalkView; tank: Tank; onClose: () => void }) => {
  const { t } = useTranslation();
  const before = currentOf(view.record, [view.walk, 'brim', tank.id], brimmed);
  const [text, setText] = useState(before?.value.meteredL === undefined ? '' : fieldText(before.value.meteredL, 'L'));
  const litres = typedNumber(text);
  const blank = text.trim() === '';
  const fits = blank || (litres > 0 && litres <= tank.capacityL);
  const keep = async () => {
    if (!fits) return;
    await view.enter(
      [{ kind: 'brimmed', walk: view.walk, tank: tank.id, ...(blank ? {} : { meteredL: litres }) }],
      t('walk.brimKept', { v: measures().litres(tank.capacityL, 1) }),
    );
    onClose();
  };
  const back = async () => {
    if (before) await view.undo(before.currentEvents);
    onClose();
  };
  return (
    <ModalSheet
      title={say(tank.name, view.language)}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('walk.brim')} disabled={!fits} onPress={() => void keep()} testID="keep-brim" />}
    >
      <Body>{t('walk.brimWhy')}</Body>
      <TextField
        label={t('walk.brimMeter')}
        value={text}
        onChange={setText}
        numeric
        unit="L"
        fault={fits ? undefined : t('walk.outOfRange', { min: 0, max: measures().figure(tank.capacityL, 'L', 1) })}
        testID="brim-litres"
      />
      {before ? <Button mode="outlined" label={t('walk.takeBack')} onPress={() => void back()} testID="brim-back" /> : null}
    </ModalSheet>
  );
};
