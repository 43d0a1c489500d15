import { mdiMinus, mdiPlus } from '@mdi/js';
import { type Mark } from '@quay/core/condition/marks';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { PhotoSource } from '../../platform/photo';
import { TextField } from '../../ui/controls/textField';
import { Button, IconButton } from '../../ui/controls/button';
import { useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, SlabBold } from '../../ui/words';
import { CardSheet } from '../photo/CardSheet';
import { PhotoRow } from '../photo/PhotoRow';

/** Lengths a hand can tell apart by eye: steps of about a quarter. */
export const SIZES = [5, 8, 10, 12, 15, 20, 25, 30, 40, 50, 60, 80, 100, 120, 160, 200, 250, 300, 400, 500, 600, 800, 1000, 1500, 2000];

/** Which of {@link SIZES} comes nearest to a length, in mm. */
export const nearestSize = (mm: number) => SIZES.reduce((best, one, i) => (Math.abs(one - mm) < Math.abs(SIZES[best]! - mm) ? i : best), 0);

export type Draft = Omit<Mark, 'note'> & { note: string; known: boolean };

/** A mark that is being made: how long it is, its picture, what was known of it. */
export const DraftEditor = ({
  draft,
  busy,
  change,
  kinds,
  onPhoto,
  hireId,
  name,
}: {
  draft: Draft;
  busy: boolean;
  change: (part: Partial<Draft>) => void;
  kinds: React.ReactNode[];
  onPhoto: (source: PhotoSource) => void;
  hireId: string;
  name: string;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [measuring, setMeasuring] = useState(false);
  const photo = draft.photos.at(-1);
  const size = nearestSize(draft.sizeMm);
  const step = (by: number) => change({ sizeMm: SIZES[Math.min(SIZES.length - 1, Math.max(0, size + by))]! });
  return (
    <View style={{ gap: 12 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <Body style={{ flex: 1 }}>{t('walk.size')}</Body>
        <IconButton path={mdiMinus} label={t('walk.smaller')} onPress={() => step(-1)} testID="smaller" />
        <View
          style={{
            minWidth: 120,
            minHeight: 52,
            borderRadius: 13,
            backgroundColor: tones.primaryPale,
            alignItems: 'center',
            justifyContent: 'center',
          }}
        >
          <SlabBold size={28}>{measures().small(draft.sizeMm)}</SlabBold>
        </View>
        <IconButton path={mdiPlus} label={t('walk.larger')} onPress={() => step(1)} testID="larger" />
      </View>
      {photo === undefined ? null : (
        <Button
          mode="outlined"
          label={t('card.open')}
          onPress={() => setMeasuring(true)}
          style={{ alignSelf: 'flex-start' }}
          testID="measure-by-card"
        />
      )}
      {measuring && photo !== undefined ? (
        <CardSheet
          hireId={hireId}
          sha={photo}
          onTake={(sizeMm) => {
            change({ sizeMm });
            setMeasuring(false);
          }}
          onClose={() => setMeasuring(false)}
        />
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.kind')}>
        {kinds}
      </View>
      <PhotoRow
        hireId={hireId}
        photos={draft.photos}
        name={name}
        label={t('walk.photo')}
        busy={busy}
        onPick={onPhoto}
        testID="mark-photo"
      />
      <TextField label={t('walk.notePlaceholder')} value={draft.note} onChange={(note) => change({ note })} />
    </View>
  );
};
