import { marksOf } from '@quay/core/condition/placed';
import { isEntered } from '@quay/core/events/record';
import { mdiCamera } from '@mdi/js';
import { say } from '@quay/core/words/words';
import { surfacesAsTheyWere } from '@quay/core/walk/asItWas';
import { carried } from '@quay/core/walk/before';
import { wantsPicture } from '@quay/core/walk/walk';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { Tag } from '../../ui/board';
import { ListRow } from '../../ui/controls/listRow';
import { SurfaceDrawing } from '../../ui/drawn/surface';
import { useTones } from '../../ui/theme';
import { Body, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';
import { All, StopSection } from '../../ui/stopSection';

export const LookSection = ({ view, onOpen }: { view: WalkView; onOpen: (surface: string) => void }) => {
  const { t } = useTranslation();
  const { record, walk, language, enter, alone } = view;
  const { surfaces } = view.stops[view.at]!;
  if (surfaces.length === 0) return null;
  const outMarks = marksOf(record, 'out');
  const marks = marksOf(record, walk);
  const open = surfaces.filter(({ id }) => !isEntered(record, [walk, 'surface', id]));
  /** One press: every mark of departure is seen again on the surfaces not yet looked at, and nothing new. */
  const asItWas = () => void enter(surfacesAsTheyWere(record, open), t('walk.kept', { what: t('walk.look') }));
  return (
    <StopSection
      name={t('walk.look')}
      all={walk === 'in' && open.length > 0 ? <All label={t('walk.asItWas')} onPress={asItWas} testID="look-as-it-was" /> : undefined}
    >
      {surfaces.map((surface) => {
        const name = say(surface.name, language);
        const mine = marks.filter((mark) => mark.surface === surface.id);
        const looked = isEntered(record, [walk, 'surface', surface.id]);
        const ghosts =
          walk === 'in'
            ? outMarks.filter((mark) => mark.surface === surface.id)
            : looked
              ? []
              : carried(record, view.pack.before, surface.id);
        const wanted = wantsPicture(record, walk, surface, alone);
        const shown = [
          ...ghosts.map((mark) => ({ mark, as: 'ghost' as const, label: '' })),
          ...mine.map((mark) => ({ mark, as: 'now' as const, label: '' })),
        ];
        const seen =
          walk === 'in' && ghosts.length > 0
            ? t('walk.seen', { n: ghosts.filter((ghost) => mine.some(({ id }) => id === ghost.id)).length, of: ghosts.length })
            : ghosts.length > 0
              ? t('walk.toConfirm', { count: ghosts.length })
              : t('walk.known', { count: mine.length });
        return (
          <ListRow
            key={surface.id}
            label={`${name}, ${seen}, ${looked ? t('walk.lookedAt') : t('walk.notLooked')}${wanted ? `, ${t('walk.pictureWanted')}` : ''}`}
            onPress={() => onOpen(surface.id)}
            testID={`surface-${surface.id}`}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingVertical: 6 }}>
              <SurfaceDrawing surface={surface} marks={shown} width={76} height={52} label={name} />
              <View style={{ flex: 1 }}>
                <Body>{name}</Body>
                <Small>{`${seen} · ${looked ? t('walk.lookedAt') : t('walk.notLooked')}`}</Small>
                {wanted ? <Tag kind="ask">{t('walk.pictureWanted')}</Tag> : null}
              </View>
              {looked && !wanted ? <Tag kind="ok">✓</Tag> : <LookSign />}
            </View>
          </ListRow>
        );
      })}
    </StopSection>
  );
};

const LookSign = () => {
  const tones = useTones();
  return (
    <View
      style={{
        width: 52,
        height: 52,
        borderRadius: 13,
        borderWidth: 2,
        borderColor: tones.line,
        alignItems: 'center',
        justifyContent: 'center',
      }}
    >
      <Svg width={26} height={26} viewBox="0 0 24 24">
        <Path d={mdiCamera} fill={tones.ink} />
      </Svg>
    </View>
  );
};
