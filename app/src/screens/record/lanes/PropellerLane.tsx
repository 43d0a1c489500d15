import { say } from '@quay/core/fleet/words';
import type { EventBody } from '@quay/core/record/event';
import { EVIDENCE_STATES } from '@quay/core/record/kinds';
import { slot } from '@quay/core/record/project';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Picture } from '../../../platform/picture';
import { Notice } from '../../../ui/board';
import { Chip } from '../../../ui/press';
import { Body, Small } from '../../../ui/words';
import { DoubtedPhoto } from '../../photo/DoubtedPhoto';
import { PhotoSigns } from '../../photo/PhotoSigns';
import { usePhoto } from '../../photo/usePhoto';
import type { WalkView } from '../useWalk';
import { Lane, Quarrel } from './lane';

type Evidence = Extract<EventBody, { kind: 'evidenceGiven' }>;

/** The propeller, judged in the way and at the moment the boat allows. */
export const PropellerLane = ({ view }: { view: WalkView }) => (
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
  const found = slot(record, `${walk}/propeller/${propeller.id}`, 'evidenceGiven');
  const was = walk === 'in' ? slot(record, `out/propeller/${propeller.id}`, 'evidenceGiven')?.value.state : undefined;
  const words = (state: Evidence['state']) => t(`walk.evidence.${state}`, { n: propeller.limitMm });
  const give = (part: Pick<Evidence, 'state' | 'photos'>) =>
    void enter([{ kind: 'evidenceGiven', walk, propeller: propeller.id, ...part }], t('walk.kept', { what: words(part.state) }));
  const photos = found?.value.photos ?? [];
  return (
    <Lane name={name}>
      <Body>{`${t(`walk.evidenceHow.${propeller.evidence}`)}. ${say(walk === 'out' ? propeller.outWhen : propeller.inWhen, language)}`}</Body>
      {was ? <Small>{t('walk.was', { v: words(was) })}</Small> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 8 }} role="radiogroup" aria-label={name}>
        {EVIDENCE_STATES.map((state) => (
          <Chip
            key={state}
            label={words(state)}
            on={found?.value.state === state}
            tone={state === 'sound' ? 'weed' : state === 'flawOverLimit' ? 'lead' : 'mari'}
            testID={`prop-${state}`}
            onPress={() => give({ state, photos })}
          />
        ))}
      </View>
      {found && propeller.evidence === 'legUp' ? (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingTop: 8 }}>
          <PhotoSigns
            label={t('walk.propellerPhoto')}
            busy={photo.busy}
            onPick={(source) => void photo.take(source, (sha) => give({ state: found.value.state, photos: [...photos, sha].slice(-12) }))}
            testID="propeller-photo"
          />
          {photos.length === 0 ? (
            <Small style={{ flex: 1 }}>{t('walk.propellerPhoto')}</Small>
          ) : (
            photos
              .slice(-2)
              .map((sha, i) => (
                <Picture key={sha} hire={view.pack.hire.id} sha={sha} alt={t('photo.of', { n: i + 1, name })} width={84} height={56} />
              ))
          )}
        </View>
      ) : null}
      <DoubtedPhoto doubted={photo.doubted} />
      {photo.fault ? <Notice kind="stop" title={photo.fault} /> : null}
      {found?.contradiction ? (
        <Quarrel values={found.standing.map(({ event: { body } }) => (body.kind === 'evidenceGiven' ? words(body.state) : ''))} />
      ) : null}
    </Lane>
  );
};
