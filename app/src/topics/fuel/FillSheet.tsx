import type { Tank } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { measures } from '../../ui/units';
import { Body } from '../../ui/words';

/** A metered fill by the quay after return. */
export const FillSheet = ({ view, tank, onClose }: { view: HireView; tank: Tank; onClose: () => void }) => {
  const { t, i18n } = useTranslation();
  const [text, setText] = useState('');
  const [brim, setBrim] = useState(true);
  const litres = typedNumber(text);
  const fits = litres > 0 && litres <= tank.capacityL;
  const keep = async () => {
    if (!fits) return;
    await view.add([{ kind: 'fuelFilled', tank: tank.id, litres, brim, by: 'operator' }]);
    onClose();
  };
  return (
    <ModalSheet
      title={`${t('compare.fill')}: ${say(tank.name, i18n.language)}`}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('compare.keep')} disabled={!fits} onPress={() => void keep()} testID="keep-fill" />}
    >
      <Body>{t('compare.fillWhy')}</Body>
      <TextField
        label={t('compare.litres')}
        value={text}
        onChange={setText}
        numeric
        unit="L"
        fault={text.trim() !== '' && !fits ? t('compare.badLitres', { max: measures().litres(tank.capacityL, 1) }) : undefined}
        testID="fill-litres"
      />
      <ChoiceChip label={t('compare.brim')} on={brim} onPress={() => setBrim(!brim)} />
    </ModalSheet>
  );
};
