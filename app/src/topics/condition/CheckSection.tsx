import { currentOf } from '@quay/core/events/record';
import { asFound } from '@quay/core/condition/events';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { Body } from '../../ui/words';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import type { WalkView } from '../../local/useWalk';
import { StopSection, ConflictingValues } from '../../ui/stopSection';

/** How she comes back: switches, covers, rubbish, how clean she is. The first way of each is as it should be. */
export const CheckSection = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const { checks } = view.stops[view.at]!;
  if (view.walk !== 'in' || checks.length === 0) return null;
  return (
    <StopSection name={t('walk.check')}>
      {checks.map((check) => (
        <OneCheck key={check.id} view={view} check={check} />
      ))}
    </StopSection>
  );
};

const OneCheck = ({ view, check }: { view: WalkView; check: WalkView['pack']['book']['checks'][number] }) => {
  const { t } = useTranslation();
  const { record, language, enter, pack } = view;
  const photo = usePhoto(pack.hire.id, { judge: true });
  const name = say(check.name, language);
  const found = currentOf(record, ['in', 'check', check.id], asFound);
  const way = check.ways.find(({ id }) => id === found?.value.way);
  const photos = found?.value.photos ?? [];
  const give = (id: string, kept: string[]) =>
    void enter(
      [{ kind: 'asFound', walk: 'in', check: check.id, way: id, photos: kept }],
      t('walk.kept', { what: `${name}: ${say(check.ways.find((one) => one.id === id)?.name ?? { en: id }, language)}` }),
    );
  const shown = found !== undefined && (way?.picture === true || photos.length > 0);
  return (
    <View style={{ gap: 6, paddingVertical: 6 }}>
      <Body>{name}</Body>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={name}>
        {check.ways.map((one, i) => (
          <ChoiceChip
            key={one.id}
            label={say(one.name, language)}
            on={found?.value.way === one.id}
            tone={i === 0 ? 'primary' : one.price === undefined ? 'warning' : 'danger'}
            onPress={() => give(one.id, i === 0 ? [] : photos)}
            testID={`check-${check.id}-${one.id}`}
          />
        ))}
      </View>
      {shown ? (
        <PhotoRow
          hireId={pack.hire.id}
          photos={photos}
          name={name}
          label={t('walk.checkPhoto')}
          shown={2}
          busy={photo.busy}
          onPick={(source) => void photo.take(source, (sha) => give(found.value.way, [...new Set([...photos, sha])]))}
          testID={`check-photo-${check.id}`}
        />
      ) : null}
      <PhotoTaking photo={photo} />
      {found?.conflict ? (
        <ConflictingValues
          values={found.currentEvents.map(({ event: { body } }) =>
            body.kind === 'asFound' ? say(check.ways.find(({ id }) => id === body.way)?.name ?? { en: body.way }, language) : '',
          )}
        />
      ) : null}
    </View>
  );
};
