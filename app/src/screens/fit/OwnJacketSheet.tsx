import type { Person } from '@quay/core/fit/people';
import type { RuleSet } from '@quay/core/fit/rules';
import { misfit } from '@quay/core/fit/suits';
import { isMassRange, type Jacket, JACKET_KINDS, NEWTONS } from '@quay/core/fleet/jacketKinds';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Toggle } from '../../ui/toggle';
import { Body, Bold } from '../../ui/words';

/** A jacket that somebody brought: what its label says, and that it was read and tried on. It does not count before. */
export const OwnJacketSheet = ({
  name,
  person,
  rules,
  onKeep,
  onClose,
}: {
  name: string;
  person: Person;
  rules: RuleSet;
  onKeep: (jacket: Jacket) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const [kind, setKind] = useState<Jacket['kind']>('foam');
  const [newtons, setNewtons] = useState<Jacket['newtons']>();
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [read, setRead] = useState(false);
  const [fits, setFits] = useState(false);
  const [pressed, setPressed] = useState(false);
  const [fromKg, toKg] = [typedNumber(from), typedNumber(to)];
  const jacket: Jacket | undefined = isMassRange(fromKg, toKg) && newtons !== undefined ? { kind, fromKg, toKg, newtons } : undefined;
  const not = jacket && misfit(person, jacket, rules);
  const open = [
    jacket ? '' : t('own.lacksLabel'),
    not ? t(`own.not.${not}`) : '',
    read ? '' : t('own.lacksRead'),
    fits ? '' : t('own.lacksFits'),
  ].filter(Boolean);
  const keep = () => {
    setPressed(true);
    if (jacket && open.length === 0) onKeep(jacket);
  };
  return (
    <Sheet
      title={t('own.title', { name })}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t('own.keep')} onPress={keep} testID="own-keep" />}
    >
      <View style={{ gap: 12 }}>
        <Body>{t('own.why')}</Body>
        <Bold>{t('own.kindOf')}</Bold>
        <View role="radiogroup" aria-label={t('own.kindOf')} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {JACKET_KINDS.map((one) => (
            <Chip key={one} label={t(`own.kind.${one}`)} on={kind === one} onPress={() => setKind(one)} testID={`own-kind-${one}`} />
          ))}
        </View>
        <Bold>{t('own.newtons')}</Bold>
        <View role="radiogroup" aria-label={t('own.newtons')} style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {NEWTONS.map((one) => (
            <Chip key={one} label={`${one} N`} on={newtons === one} onPress={() => setNewtons(one)} testID={`own-n-${one}`} />
          ))}
        </View>
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <Field label={t('own.from')} value={from} onChange={setFrom} numeric unit="kg" most={6} testID="own-from" />
          </View>
          <View style={{ flex: 1 }}>
            <Field label={t('own.to')} value={to} onChange={setTo} numeric unit="kg" most={6} testID="own-to" />
          </View>
        </View>
        <Toggle label={t('own.read')} on={read} onChange={setRead} testID="own-read" />
        <Toggle label={t('own.fits', { name })} on={fits} onChange={setFits} testID="own-fits" />
        {not ? <Notice kind="stop" title={t(`own.not.${not}`)} /> : null}
        {pressed && open.length > 0 && !not ? <Notice kind="ask" title={open.join(' ')} /> : null}
      </View>
    </Sheet>
  );
};
