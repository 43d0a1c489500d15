import { currentOf } from '@quay/core/events/record';
import { gaugeRead } from '@quay/core/fuel/events';
import { mdiMinus, mdiPlus } from '@mdi/js';
import type { Gauge } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { litresShown, spokenReading } from '@quay/core/fuel/level';
import { judgeReading, typedReading } from '@quay/core/fuel/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { Tag } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { fieldText } from '../../ui/format';
import { Button, IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import type { WalkView } from '../../local/useWalk';
import { Dial, Tube } from './instruments';
import { Lamps, UnusualReading, useReadingFault } from './reading';
import { WireReading } from './WireReading';

/** Reads one gauge: a needle set on its dial, a level set in its tube, a figure typed. Departure stands pale behind. */
export const GaugeSheet = ({ view, gaugeId, onClose }: { view: WalkView; gaugeId: string; onClose: () => void }) => {
  const { t } = useTranslation();
  const { record, walk, language } = view;
  const gauge = view.pack.book.gauges.find(({ id }) => id === gaugeId);
  const found = currentOf(record, [walk, 'gauge', gaugeId], gaugeRead)?.value;
  const was = walk === 'in' ? currentOf(record, ['out', 'gauge', gaugeId], gaugeRead)?.value.shown : undefined;
  const drawn = gauge?.reads === 'needle' || gauge?.reads === 'sightLine';
  const faultOf = useReadingFault();
  const [value, setValue] = useState<number | undefined>(
    found?.shown ?? (drawn ? (was ?? gauge.min + (gauge.max - gauge.min) / 2) : undefined),
  );
  const [text, setText] = useState(value === undefined ? '' : fieldText(value, gauge?.unit));
  const [askew, setAskew] = useState(found?.askew ?? false);
  const [wired, setWired] = useState<number>();
  const [zeroed, setZeroed] = useState(found?.zeroed ?? false);
  const photo = usePhoto(view.pack.hire.id, { judge: true });
  const [photos, setPhotos] = useState<string[]>(found?.photos ?? []);
  if (!gauge) return null;
  const name = say(gauge.name, language);
  const read = drawn ? judgeReading(gauge, value, { was, zeroed }) : typedReading(gauge, text, { was, zeroed });
  const fault = faultOf(gauge, read);
  const now = read.is === 'read' ? read.shown : undefined;
  const tank = view.pack.book.tanks.find(({ id }) => id === gauge.tank);
  const litres = tank && gauge.unit === 'mm' && now !== undefined ? Math.round(litresShown(gauge, tank, now)) : undefined;
  // Counters only go up: lower than after the last hire it was misread, or is another one.
  const last = walk === 'out' ? view.pack.before?.shown[gaugeId] : undefined;
  const behind = gauge.reads === 'counter' && last !== undefined && now !== undefined && now < last ? last : undefined;
  const keep = async () => {
    if (now === undefined) return;
    await view.enter(
      [
        {
          kind: 'gaugeRead',
          walk,
          gauge: gaugeId,
          shown: now,
          ...(askew ? { askew } : {}),
          ...(zeroed ? { zeroed: true as const } : {}),
          ...(wired === now ? { by: 'gateway' as const } : {}),
          ...(photos.length > 0 ? { photos } : {}),
          ...(was === now ? { asBefore: true as const } : {}),
        },
      ],
      t('walk.kept', { what: name }),
    );
    onClose();
  };
  return (
    <ModalSheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('walk.keepReading')}
          onPress={() => void keep()}
          disabled={now === undefined}
          testID="keep-reading"
        />
      }
    >
      {gauge.normal ? <Small>{`${t('walk.normal')}: ${say(gauge.normal, language)}`}</Small> : null}
      {was !== undefined ? <Small>{t('walk.was', { v: spokenReading(gauge, was, measures()) })}</Small> : null}
      {drawn && value !== undefined ? (
        <Drawn gauge={gauge} value={value} was={was} onSet={setValue} name={name} />
      ) : gauge.reads === 'lamp' ? (
        <Lamps gauge={gauge} name={name} lit={now} onLit={(count) => setText(String(count))} testID="lit" />
      ) : (
        <TextField
          label={name}
          value={text}
          onChange={setText}
          numeric
          fault={fault}
          {...(gauge.unit ? { unit: gauge.unit } : {})}
          onEnter={() => void keep()}
          testID="reading"
          autoFocus
        />
      )}
      {gauge.wire !== undefined && !view.alone ? (
        <WireReading
          boatId={view.pack.boat.id}
          gauge={gauge}
          atLeast={gauge.reads === 'counter' ? (was ?? last) : undefined}
          onTake={(taken) => {
            setValue(taken);
            setText(fieldText(taken, gauge.unit));
            setWired(taken);
          }}
        />
      ) : null}
      {litres === undefined ? null : <Bold>{t('walk.thatIs', { v: measures().litres(litres) })}</Bold>}
      {behind === undefined ? null : <Tag kind="stop">{t('walk.lowerThanBefore', { v: spokenReading(gauge, behind, measures()) })}</Tag>}
      <UnusualReading read={read} unit={gauge.unit} />
      {gauge.flushesLeft === undefined ? null : <Small>{t('walk.flushes', { n: gauge.flushesLeft })}</Small>}
      {gauge.picture === undefined ? null : (
        <PhotoRow
          hireId={view.pack.hire.id}
          photos={photos}
          name={name}
          label={t('walk.gaugePhoto')}
          shown={2}
          busy={photo.busy}
          onPick={(source) => void photo.take(source, (sha) => setPhotos((have) => [...new Set([...have, sha])]))}
          testID="gauge-photo"
        />
      )}
      <PhotoTaking photo={photo} />
      {gauge.reads === 'totaliser' ? (
        <ChoiceChip label={t('walk.sinceBrim')} on={zeroed} onPress={() => setZeroed(!zeroed)} testID="zeroed" />
      ) : null}
      {gauge.reads === 'needle' ? (
        <ChoiceChip label={t('walk.askew')} on={askew} onPress={() => setAskew(!askew)} tone="warning" testID="askew" />
      ) : null}
    </ModalSheet>
  );
};

const Drawn = ({
  gauge,
  value,
  was,
  onSet,
  name,
}: {
  gauge: Gauge;
  value: number;
  was: number | undefined;
  onSet: (value: number) => void;
  name: string;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const step = gauge.step ?? (gauge.max - gauge.min) / 100;
  const set = (next: number) => onSet(Math.round(Math.min(gauge.max, Math.max(gauge.min, Math.round(next / step) * step)) * 1e6) / 1e6);
  const share = (v: number) => (v - gauge.min) / (gauge.max - gauge.min);
  const put = (s: number) => set(gauge.min + s * (gauge.max - gauge.min));
  return (
    <View style={{ alignItems: 'center', gap: 8 }}>
      {gauge.reads === 'needle' ? (
        <Dial share={share(value)} was={was === undefined ? undefined : share(was)} onSet={put} label={t('walk.set', { name })} />
      ) : (
        <Tube share={share(value)} was={was === undefined ? undefined : share(was)} onSet={put} label={t('walk.set', { name })} />
      )}
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 14 }}>
        <IconButton path={mdiMinus} label={t('walk.lower', { name })} onPress={() => set(value - step)} testID="lower" />
        <SlabBold size={38} style={{ minWidth: 130, textAlign: 'center' }} live>
          {spokenReading(gauge, value, measures())}
        </SlabBold>
        <IconButton path={mdiPlus} label={t('walk.higher', { name })} onPress={() => set(value + step)} testID="higher" />
      </View>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        {(
          [
            ['empty', 0],
            ['½', 0.5],
            ['full', 1],
          ] as const
        ).map(([word, s]) => (
          <TouchableRipple
            key={word}
            role="button"
            onPress={() => put(s)}
            style={{
              minWidth: 84,
              minHeight: 52,
              borderRadius: 26,
              borderWidth: 2,
              borderColor: tones.line,
              alignItems: 'center',
              justifyContent: 'center',
            }}
          >
            <>
              <Body>{word === '½' ? word : t(`walk.${word}`)}</Body>
            </>
          </TouchableRipple>
        ))}
      </View>
    </View>
  );
};
