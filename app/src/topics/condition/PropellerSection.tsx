import { currentOf } from '@quay/core/events/record';
import { evidenceGiven } from '@quay/core/condition/events';
import { mdiMinus, mdiPlus } from '@mdi/js';
import { say } from '@quay/core/words/words';
import type { EventBody } from '@quay/core/record/event';
import { bladesToShow, evidenceStateOf, type PropellerFound, revsFell } from '@quay/core/condition/propeller';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { TextField } from '../../ui/controls/textField';
import { figure } from '../../ui/format';
import { Button, IconButton } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useSteps } from '../../ui/controls/steps';
import { measures } from '../../ui/units';
import { Body, SlabBold, Small } from '../../ui/words';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import type { WalkView } from '../../local/useWalk';
import { StopSection, ConflictingValues } from '../../ui/stopSection';

type Evidence = Extract<EventBody, { kind: 'evidenceGiven' }>;

/** The propeller, judged in the way and at the moment the boat allows. */
export const PropellerSection = ({ view }: { view: WalkView }) => (
  <>
    {view.stops[view.at]!.propellers.map((propeller) => (
      <OnePropeller key={propeller.id} view={view} propeller={propeller} />
    ))}
  </>
);

const OnePropeller = ({ view, propeller }: { view: WalkView; propeller: WalkView['pack']['book']['propellers'][number] }) => {
  const { t } = useTranslation();
  const photo = usePhoto(view.pack.hire.id, { judge: true });
  const { record, walk, language, enter } = view;
  const name = say(propeller.name, language);
  const found = currentOf(record, [walk, 'propeller', propeller.id], evidenceGiven);
  const was = walk === 'in' ? currentOf(record, ['out', 'propeller', propeller.id], evidenceGiven)?.value.state : undefined;
  const words = (state: Evidence['state']) => t(`walk.evidence.${state}`, { n: measures().small(propeller.limitMm) });
  const revs = propeller.evidence === 'vibrationAndRevs';
  const give = (part: Pick<Evidence, 'state' | 'photos' | 'sizeMm' | 'fullRpm'>) =>
    void enter(
      [{ kind: 'evidenceGiven', walk, propeller: propeller.id, ...(fullRpm === undefined ? {} : { fullRpm }), ...part }],
      t('walk.kept', { what: words(part.state) }),
    );
  const fullRpm = found?.value.fullRpm;
  const outRpm = walk === 'in' ? currentOf(record, ['out', 'propeller', propeller.id], evidenceGiven)?.value.fullRpm : undefined;
  const photos = found?.value.photos ?? [];
  const flawed = found?.value.state === 'flawWithinLimit' || found?.value.state === 'flawOverLimit';
  const sizeMm = found?.value.sizeMm ?? 2;
  const step = useSteps(sizeMm);
  const judge = (what: PropellerFound) =>
    give({ state: evidenceStateOf(what, propeller), photos, ...(typeof what === 'string' ? {} : { sizeMm: what.flawMm }) });
  const blades = bladesToShow(propeller);
  const kept = { state: found?.value.state ?? 'sound', ...(found?.value.sizeMm === undefined ? {} : { sizeMm: found.value.sizeMm }) };
  return (
    <StopSection name={name}>
      <Body>{`${t(`walk.evidenceHow.${propeller.evidence}`)}. ${say(walk === 'out' ? propeller.outWhen : propeller.inWhen, language)}`}</Body>
      {was ? <Small>{t('walk.was', { v: words(was) })}</Small> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 8 }} role="radiogroup" aria-label={name}>
        <ChoiceChip label={words('sound')} on={found?.value.state === 'sound'} testID="prop-sound" onPress={() => judge('sound')} />
        <ChoiceChip
          label={t('walk.propFlaw')}
          on={flawed}
          tone={found?.value.state === 'flawOverLimit' ? 'danger' : 'warning'}
          testID="prop-flaw"
          onPress={() => judge({ flawMm: sizeMm })}
        />
        <ChoiceChip
          label={words('notSeen')}
          on={found?.value.state === 'notSeen'}
          tone="warning"
          testID="prop-notSeen"
          onPress={() => judge('notSeen')}
        />
      </View>
      {flawed ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingTop: 8 }}>
          <IconButton
            path={mdiMinus}
            label={t('walk.smaller')}
            disabled={sizeMm <= 1}
            onPress={() => judge({ flawMm: step(-1, 1, 500) })}
            testID="flaw-smaller"
          />
          <SlabBold size={34} style={{ minWidth: 110, textAlign: 'center' }} live>
            {measures().small(sizeMm)}
          </SlabBold>
          <IconButton path={mdiPlus} label={t('walk.larger')} onPress={() => judge({ flawMm: step(1, 1, 500) })} testID="flaw-larger" />
          <View style={{ flex: 1 }}>
            <Tag kind={found.value.state === 'flawOverLimit' ? 'stop' : 'ask'}>{words(found.value.state)}</Tag>
          </View>
        </View>
      ) : null}
      {revs && found && found.value.state !== 'notSeen' ? (
        <Revs
          key={fullRpm ?? 'none'}
          rpm={fullRpm}
          usual={outRpm ?? view.pack.book.engine.fullRpm}
          out={outRpm !== undefined}
          fell={revsFell(outRpm ?? view.pack.book.engine.fullRpm, fullRpm) === true}
          onKeep={(rpm) => give({ ...kept, photos, fullRpm: rpm })}
        />
      ) : null}
      {found && propeller.evidence === 'legUp' ? (
        <View style={{ paddingTop: 8 }}>
          <PhotoRow
            hireId={view.pack.hire.id}
            photos={photos}
            name={name}
            label={t('walk.propellerPhoto')}
            {...(blades > 0 ? { hint: t('walk.bladeNext', { n: 1, of: blades }) } : {})}
            shown={2}
            busy={photo.busy}
            onPick={(source) => void photo.take(source, (sha) => give({ ...kept, photos: [...new Set([...photos, sha])] }))}
            testID="propeller-photo"
          />
        </View>
      ) : null}
      {photos.length > 0 && photos.length < blades ? (
        <Tag kind="ask">{t('walk.bladeNext', { n: photos.length + 1, of: blades })}</Tag>
      ) : null}
      <PhotoTaking photo={photo} />
      {found?.conflict ? (
        <ConflictingValues
          values={found.currentEvents.map(({ event: { body } }) => (body.kind === 'evidenceGiven' ? words(body.state) : ''))}
        />
      ) : null}
    </StopSection>
  );
};

/** Revolutions at full throttle, beside what they were or usually are. */
const Revs = ({
  rpm,
  usual,
  out,
  fell,
  onKeep,
}: {
  rpm: number | undefined;
  usual: number | undefined;
  /** Whether what they are held against was read at departure. */
  out: boolean;
  fell: boolean;
  onKeep: (rpm: number) => void;
}) => {
  const { t } = useTranslation();
  const [text, setText] = useState(rpm === undefined ? '' : figure(rpm));
  const typed = typedNumber(text);
  const fits = Number.isInteger(typed) && typed > 0 && typed <= 12_000;
  return (
    <View style={{ gap: 8, paddingTop: 8 }}>
      <TextField
        label={t('walk.fullRpm')}
        value={text}
        onChange={setText}
        numeric
        unit="1/min"
        fault={text.trim() !== '' && !fits ? t('walk.outOfRange', { min: 1, max: 12_000 }) : undefined}
        onEnter={() => fits && onKeep(typed)}
        testID="full-rpm"
      />
      {usual === undefined ? null : <Small>{t(out ? 'walk.was' : 'walk.usualRpm', { v: `${figure(usual)} 1/min` })}</Small>}
      {fell ? <Tag kind="stop">{t('walk.revsFell')}</Tag> : null}
      {fits && typed !== rpm ? (
        <Button mode="outlined" label={t('walk.keepReading')} onPress={() => onKeep(typed)} testID="keep-rpm" />
      ) : null}
    </View>
  );
};
