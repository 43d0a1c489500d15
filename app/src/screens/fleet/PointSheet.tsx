import type { Point } from '@quay/core/fleet/telling';
import { type Language, LANGUAGES, say, type Wording } from '@quay/core/fleet/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag } from '../../ui/board';
import { Field } from '../../ui/field';
import { Alt, Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Body, SlabBold, Small } from '../../ui/words';
import type { PointEdit } from './edit';

const TEXTS = ['say', 'show', 'mistake', 'caution'] as const;
type Texts = Record<(typeof TEXTS)[number], Partial<Record<Language, string>>>;

const textsOf = (point: Point | undefined): Texts =>
  Object.fromEntries(
    TEXTS.map((field) => [field, Object.fromEntries(LANGUAGES.map((language) => [language, point?.[field]?.[language] ?? '']))]),
  ) as Texts;

/** A wording from what is typed; without English there is none, since everything falls back to it. */
const wordingOf = (texts: Partial<Record<Language, string>>): Wording | undefined => {
  const entries = Object.entries(texts).flatMap(([language, text]) => (text.trim() === '' ? [] : [[language, text.trim()] as const]));
  const wording = Object.fromEntries(entries);
  return typeof wording.en === 'string' ? (wording as Wording) : undefined;
};

/** One point of a boat's book, a language at a time, with what the renter will see. */
export const PointSheet = ({
  point,
  origin,
  fault,
  busy,
  onClose,
  onKeep,
  onDrop,
  onInherit,
}: {
  point?: Point;
  origin: { is: 'class' | 'changed' | 'own' | 'ground'; name: string };
  fault: string | undefined;
  busy: boolean;
  onClose: () => void;
  onKeep: (edit: PointEdit) => void;
  onDrop?: () => void;
  onInherit?: () => void;
}) => {
  const { t } = useTranslation();
  const [language, setLanguage] = useState<Language>('en');
  const [texts, setTexts] = useState(() => textsOf(point));
  const [weight, setWeight] = useState<Point['weight']>(point?.weight ?? 'should');
  const [seconds, setSeconds] = useState(String(point?.seconds ?? 15));
  const [tried, setTried] = useState(false);
  const read = Number(seconds);
  const secondsGood = /^\d{1,3}$/.test(seconds.trim()) && read >= 1 && read <= 600;
  const words = wordingOf(texts.say);
  const type = (field: (typeof TEXTS)[number], text: string) => setTexts({ ...texts, [field]: { ...texts[field], [language]: text } });
  const keep = () => {
    setTried(true);
    if (!words || !secondsGood) return;
    onKeep({
      weight,
      seconds: read,
      say: words,
      show: wordingOf(texts.show),
      mistake: wordingOf(texts.mistake),
      caution: wordingOf(texts.caution),
    });
  };
  if (origin.is === 'ground') {
    return (
      <Sheet title={t('fleet.point')} closeLabel={t('common.close')} onClose={onClose}>
        <Notice kind="ask" title={t('fleet.ground')} />
        {point ? <Body>{point.say.en}</Body> : null}
      </Sheet>
    );
  }
  return (
    <Sheet
      title={t('fleet.point')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t('fleet.keep')} onPress={keep} busy={busy} testID="keep-point" />}
    >
      <Small>{t(`fleet.origin.${origin.is}`, { name: origin.name })}</Small>
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('fleet.language')}>
        {LANGUAGES.map((one) => (
          <Chip key={one} label={one.toUpperCase()} on={language === one} onPress={() => setLanguage(one)} testID={`in-${one}`} />
        ))}
      </View>
      {TEXTS.map((field) => (
        <Field
          key={field}
          label={`${t(`fleet.text.${field}`)} (${language})`}
          value={texts[field][language] ?? ''}
          lines={field === 'say' ? 3 : 2}
          onChange={(text) => type(field, text)}
          fault={field === 'say' && tried && !words ? t('fleet.needsEnglish') : undefined}
          testID={`text-${field}`}
        />
      ))}
      <View style={{ flexDirection: 'row', gap: 6, flexWrap: 'wrap' }} role="radiogroup" aria-label={t('fleet.weightName')}>
        {(['must', 'should', 'spare'] as const).map((one) => (
          <Chip key={one} label={t(`fleet.weight.${one}`)} on={weight === one} onPress={() => setWeight(one)} testID={`weight-${one}`} />
        ))}
      </View>
      <Field
        label={t('fleet.seconds')}
        value={seconds}
        numeric
        unit="s"
        onChange={setSeconds}
        fault={secondsGood ? undefined : t('walk.outOfRange', { min: 1, max: 600 })}
        testID="point-seconds"
      />
      <Small>{t('fleet.preview')}</Small>
      <Card style={{ gap: 6 }}>
        <SlabBold size={22}>{words ? say(words, language) : '…'}</SlabBold>
        {(['show', 'mistake'] as const).map((field) => {
          const wording = wordingOf(texts[field]);
          return wording ? <Body key={field}>{say(wording, language)}</Body> : null;
        })}
        {wordingOf(texts.caution) ? <Tag kind="stop">{say(wordingOf(texts.caution)!, language)}</Tag> : null}
      </Card>
      {point ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {origin.is === 'changed' && onInherit ? <Alt label={t('fleet.inherit')} onPress={onInherit} testID="inherit" /> : null}
          {onDrop ? <Alt label={t('fleet.drop')} onPress={onDrop} testID="drop-point" /> : null}
        </View>
      ) : null}
    </Sheet>
  );
};
