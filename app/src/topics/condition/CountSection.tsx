import { isEntered, currentOf } from '@quay/core/events/record';
import { counted } from '@quay/core/condition/events';
import { mdiMinus, mdiPlus } from '@mdi/js';
import { say } from '@quay/core/words/words';
import type { EventBody } from '@quay/core/record/event';
import { neededOf } from '@quay/core/condition/counts';
import { headsOf } from '@quay/core/castOff/hold';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { Tag } from '../../ui/board';
import { IconButton } from '../../ui/controls/button';
import { useSteps } from '../../ui/controls/steps';
import { useTones } from '../../ui/theme';
import { Body, SlabBold, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';
import { All, StopSection, ConflictingValues } from '../../ui/stopSection';

type Counted = Extract<EventBody, { kind: 'counted' }>;

export const CountSection = ({ view, onOpen }: { view: WalkView; onOpen: (fitting: string) => void }) => {
  const { t } = useTranslation();
  const { record, walk, language, enter } = view;
  const { fittings } = view.stops[view.at]!;
  if (fittings.length === 0) return null;
  const before = (id: string) => (walk === 'in' ? currentOf(record, ['out', 'count', id], counted)?.value : undefined);
  const heads = headsOf(record);
  const needed = (fitting: (typeof fittings)[number]) => neededOf(fitting, heads);
  const countOf = (id: string, count: number): EventBody => {
    const was = before(id);
    const now = currentOf(record, [walk, 'count', id], counted)?.value;
    return {
      kind: 'counted',
      walk,
      fitting: id,
      count,
      state: now?.state ?? was?.state ?? 'fine',
      // What was said of it stays when it is only counted anew.
      ...(now?.seal === undefined ? {} : { seal: now.seal }),
      ...(now?.at === undefined ? {} : { at: now.at }),
      ...(was?.count === count ? { asBefore: true as const } : {}),
    };
  };
  const open = fittings.filter(({ id }) => !isEntered(record, [walk, 'count', id]));
  const label = walk === 'in' ? t('walk.asItWas') : t('walk.allHere');
  return (
    <StopSection
      name={t('walk.count')}
      all={
        open.length > 0 ? (
          <All
            label={label}
            onPress={() =>
              void enter(
                open.map((fitting) => countOf(fitting.id, before(fitting.id)?.count ?? needed(fitting))),
                t('walk.kept', { what: t('walk.count') }),
              )
            }
            testID="all-here"
          />
        ) : undefined
      }
    >
      {fittings.map((fitting) => {
        const was = before(fitting.id);
        return (
          <CountRow
            key={fitting.id}
            view={view}
            fitting={fitting}
            was={was}
            whole={was?.count ?? needed(fitting)}
            set={(count) => void enter([countOf(fitting.id, count)], t('walk.counted', { name: say(fitting.name, language), n: count }))}
            onOpen={() => onOpen(fitting.id)}
          />
        );
      })}
    </StopSection>
  );
};

/** More of one thing than a boat carries. */
const MOST = 999;

const CountRow = ({
  view,
  fitting,
  was,
  whole,
  set,
  onOpen,
}: {
  view: WalkView;
  fitting: WalkView['stops'][number]['fittings'][number];
  /** As it was counted before, coming in. */
  was: Counted | undefined;
  /** How many there should be. */
  whole: number;
  set: (count: number) => void;
  onOpen: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, walk, language } = view;
  const name = say(fitting.name, language);
  const found = currentOf(record, [walk, 'count', fitting.id], counted);
  const number = found?.value.count ?? whole;
  const short = found !== undefined && number < whole;
  const step = useSteps(number);
  const stationName = (id: string) => say(view.pack.book.stations.find((one) => one.id === id)?.name ?? { en: id }, language);
  return (
    <View style={{ gap: 4, paddingVertical: 4 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
        <TouchableRipple
          role="button"
          aria-label={t('walk.stateOf', { name })}
          onPress={onOpen}
          style={{ flex: 1, minHeight: 52, justifyContent: 'center' }}
          testID={`fitting-${fitting.id}`}
        >
          <>
            <Body>{name}</Body>
            {found && found.value.state !== 'fine' ? (
              <Tag kind="stop">{t(`walk.state.${found.value.state}`)}</Tag>
            ) : found?.value.at !== undefined ? (
              <Tag kind="ask">{t('walk.foundAt', { name: stationName(found.value.at) })}</Tag>
            ) : walk === 'in' && was ? (
              <Small size={14}>{t('walk.was', { v: was.count })}</Small>
            ) : null}
          </>
        </TouchableRipple>
        <IconButton
          path={mdiMinus}
          label={t('walk.fewer', { name })}
          onPress={() => set(step(-1, 0, MOST))}
          disabled={number === 0}
          testID={`fewer-${fitting.id}`}
        />
        <TouchableRipple
          role="button"
          aria-label={found ? t('walk.here', { name, n: number, of: whole }) : t('walk.confirm', { name, n: number })}
          onPress={() => set(number)}
          testID={`count-${fitting.id}`}
          style={{
            minWidth: 92,
            minHeight: 52,
            borderRadius: 13,
            alignItems: 'center',
            justifyContent: 'center',
            flexDirection: 'row',
            gap: 5,
            borderWidth: 2,
            borderStyle: found ? 'solid' : 'dashed',
            borderColor: found ? (short ? tones.danger : tones.primaryPale) : tones.soft,
            backgroundColor: !found ? tones.card : short ? tones.dangerPale : tones.primaryPale,
          }}
        >
          <>
            {/* What nobody counted shows no figure that could be taken for a count. */}
            <SlabBold size={34} tone={!found ? 'soft' : short ? 'dangerText' : 'ink'}>
              {found ? number : '?'}
            </SlabBold>
            <Small>{t('common.of', { n: whole })}</Small>
          </>
        </TouchableRipple>
        {short ? (
          <IconButton path={mdiPlus} label={t('walk.more', { name })} onPress={() => set(step(1, 0, MOST))} testID={`more-${fitting.id}`} />
        ) : null}
      </View>
      {found?.conflict ? (
        <ConflictingValues
          values={found.currentEvents.map(({ event: { body } }) =>
            body.kind === 'counted' ? `${body.count} ${t(`walk.state.${body.state}`)}` : '',
          )}
        />
      ) : null}
    </View>
  );
};
