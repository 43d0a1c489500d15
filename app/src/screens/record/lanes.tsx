import { mdiCamera, mdiGauge, mdiMinus, mdiPlus } from '@mdi/js';
import { say } from '@quay/core/fleet/book';
import { showMinor } from '@quay/core/money/minor';
import type { EventBody } from '@quay/core/record/event';
import { slot } from '@quay/core/record/project';
import { fuelOf, marksOf } from '@quay/core/record/walk';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { Tag } from '../../ui/board';
import { figure } from '../../ui/format';
import { Chip, Row, Sign } from '../../ui/press';
import { SurfaceDrawing } from '../../ui/surface';
import { useTones } from '../../ui/theme';
import { Body, Bold, Slab, SlabBold, Small } from '../../ui/words';
import type { WalkView } from './useWalk';

const Lane = ({ name, children, all }: { name: string; children: ReactNode; all?: ReactNode }) => {
  const tones = useTones();
  return (
    <View style={{ borderTopWidth: 1, borderTopColor: tones.line, paddingVertical: 10 }} role="group" aria-label={name}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between', minHeight: 26 }}>
        <Slab size={17} tone="weedText" heading={3}>
          {name}
        </Slab>
        {all}
      </View>
      {children}
    </View>
  );
};

/** A small press that does the whole lane at once. */
const All = ({ label, onPress, testID }: { label: string; onPress: () => void; testID: string }) => {
  const tones = useTones();
  return (
    <Pressable
      role="button"
      onPress={onPress}
      testID={testID}
      style={({ pressed }) => ({
        minHeight: 52,
        minWidth: 88,
        justifyContent: 'center',
        alignItems: 'center',
        borderRadius: 13,
        borderWidth: 2,
        borderColor: tones.weed,
        paddingHorizontal: 12,
        backgroundColor: pressed ? tones.weedPale : tones.card,
      })}
    >
      <Bold size={16} tone="weedText">
        {label}
      </Bold>
    </Pressable>
  );
};

const Quarrel = ({ values }: { values: readonly string[] }) => {
  const { t } = useTranslation();
  return <Tag kind="stop">{t('walk.contradiction', { values: values.join(' / ') })}</Tag>;
};

export const SayLane = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, pack, walk, language, enter } = view;
  const { points } = view.stops[view.at]!;
  if (walk === 'in' || points.length === 0) return null;
  const told = (id: string): EventBody => ({ kind: 'pointTold', walk, point: id, how: 'said', language });
  const open = points.filter(({ id }) => !record.slots.has(`${walk}/point/${id}`));
  return (
    <Lane
      name={t('walk.say')}
      all={
        open.length > 1 ? (
          <All
            label={t('walk.allSaid')}
            onPress={() =>
              void enter(
                open.map(({ id }) => told(id)),
                t('walk.kept', { what: t('walk.say') }),
              )
            }
            testID="all-said"
          />
        ) : undefined
      }
    >
      {points.map((point) => {
        const found = slot(record, `${walk}/point/${point.id}`, 'pointTold', 'pointSkipped');
        const on = found?.value.kind === 'pointTold';
        const price = pack.prices.prices.find(({ code }) => code === point.price);
        return (
          <Pressable
            key={point.id}
            role="checkbox"
            aria-checked={on}
            aria-label={t('walk.tell', { text: say(point.say, language) })}
            testID={`point-${point.id}`}
            onPress={() => void (on && found ? view.undo(found.standing) : enter([told(point.id)]))}
            style={{ flexDirection: 'row', gap: 12, paddingVertical: 9, minHeight: 52, alignItems: 'flex-start' }}
          >
            <View
              style={{
                width: 30,
                height: 30,
                borderRadius: 8,
                borderWidth: 2,
                borderColor: tones.weed,
                backgroundColor: on ? tones.weed : tones.card,
                alignItems: 'center',
                justifyContent: 'center',
              }}
            >
              {on ? (
                <Svg width={20} height={20}>
                  <Path d="M4 10l4.5 5.5L17 4.5" stroke={tones.onWeed} strokeWidth={3} fill="none" />
                </Svg>
              ) : null}
            </View>
            <View style={{ flex: 1, gap: 3 }}>
              <Body>{say(point.say, language)}</Body>
              {point.show ? <Small>{`${t('walk.show')}: ${say(point.show, language)}`}</Small> : null}
              {point.caution ? (
                <Tag kind="stop" size={15}>
                  {say(point.caution, language)}
                </Tag>
              ) : null}
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
                {point.weight === 'must' ? <Tag kind="ok">{t('walk.must')}</Tag> : null}
                {price ? (
                  <Tag kind="ask">
                    {t('walk.costs', {
                      name: say(price.name, language),
                      price: showMinor(price.amountMinor, pack.prices.currency, 'en-IE'),
                    })}
                  </Tag>
                ) : null}
                {found?.value.kind === 'pointSkipped' ? <Tag kind="ask">{t(`walk.skip.${found.value.why}`)}</Tag> : null}
              </View>
            </View>
          </Pressable>
        );
      })}
    </Lane>
  );
};

export const CountLane = ({ view, onOpen }: { view: WalkView; onOpen: (fitting: string) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, walk, language, enter } = view;
  const { fittings } = view.stops[view.at]!;
  if (fittings.length === 0) return null;
  const before = (id: string) => (walk === 'in' ? slot(record, `out/count/${id}`, 'counted')?.value : undefined);
  const counted = (id: string, count: number): EventBody => {
    const was = before(id);
    const now = slot(record, `${walk}/count/${id}`, 'counted')?.value;
    return {
      kind: 'counted',
      walk,
      fitting: id,
      count,
      state: now?.state ?? was?.state ?? 'fine',
      ...(was?.count === count ? { asBefore: true as const } : {}),
    };
  };
  const open = fittings.filter(({ id }) => !record.slots.has(`${walk}/count/${id}`));
  const label = walk === 'in' ? t('walk.asItWas') : t('walk.allHere');
  return (
    <Lane
      name={t('walk.count')}
      all={
        open.length > 0 ? (
          <All
            label={label}
            onPress={() =>
              void enter(
                open.map(({ id, count }) => counted(id, before(id)?.count ?? count)),
                t('walk.kept', { what: t('walk.count') }),
              )
            }
            testID="all-here"
          />
        ) : undefined
      }
    >
      {fittings.map((fitting) => {
        const name = say(fitting.name, language);
        const found = slot(record, `${walk}/count/${fitting.id}`, 'counted');
        const was = before(fitting.id);
        const whole = was?.count ?? fitting.count;
        const number = found?.value.count ?? whole;
        const short = found !== undefined && number < whole;
        const set = (count: number) => void enter([counted(fitting.id, count)], t('walk.counted', { name, n: count }));
        return (
          <View key={fitting.id} style={{ gap: 4, paddingVertical: 4 }}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 6 }}>
              <Pressable
                role="button"
                aria-label={t('walk.stateOf', { name })}
                onPress={() => onOpen(fitting.id)}
                style={{ flex: 1, minHeight: 52, justifyContent: 'center' }}
                testID={`fitting-${fitting.id}`}
              >
                <Body>{name}</Body>
                {found && found.value.state !== 'fine' ? (
                  <Tag kind="stop">{t(`walk.state.${found.value.state}`)}</Tag>
                ) : walk === 'in' && was ? (
                  <Small size={14}>{t('walk.was', { v: was.count })}</Small>
                ) : null}
              </Pressable>
              <Sign
                path={mdiMinus}
                label={t('walk.fewer', { name })}
                onPress={() => set(Math.max(0, number - 1))}
                disabled={number === 0}
                testID={`fewer-${fitting.id}`}
              />
              <Pressable
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
                  borderColor: found ? (short ? tones.lead : tones.weedPale) : tones.soft,
                  backgroundColor: !found ? tones.card : short ? tones.leadPale : tones.weedPale,
                }}
              >
                <SlabBold size={34} tone={!found ? 'soft' : short ? 'leadText' : 'ink'} style={{ opacity: found ? 1 : 0.72 }}>
                  {number}
                </SlabBold>
                <Small>{t('common.of', { n: whole })}</Small>
              </Pressable>
              {short ? (
                <Sign path={mdiPlus} label={t('walk.more', { name })} onPress={() => set(number + 1)} testID={`more-${fitting.id}`} />
              ) : null}
            </View>
            {found?.contradiction ? (
              <Quarrel
                values={found.standing.map(({ event: { body } }) =>
                  body.kind === 'counted' ? `${body.count} ${t(`walk.state.${body.state}`)}` : '',
                )}
              />
            ) : null}
          </View>
        );
      })}
    </Lane>
  );
};

export const LookLane = ({ view, onOpen }: { view: WalkView; onOpen: (surface: string) => void }) => {
  const { t } = useTranslation();
  const { record, walk, language, enter } = view;
  const { surfaces } = view.stops[view.at]!;
  if (surfaces.length === 0) return null;
  const outMarks = marksOf(record, 'out');
  const marks = marksOf(record, walk);
  const open = surfaces.filter(({ id }) => !record.slots.has(`${walk}/surface/${id}`));
  /** One press: every mark of departure is seen again on the surfaces not yet looked at, and nothing new. */
  const asItWas = () =>
    void enter(
      open.flatMap(({ id }): EventBody[] => [
        ...outMarks
          .filter((mark) => mark.surface === id && !marks.some((one) => one.id === mark.id))
          .map((mark): EventBody => ({ kind: 'markPlaced', walk, mark: { ...mark, photos: [] }, asBefore: true })),
        { kind: 'surfaceLooked', walk, surface: id, photos: [], asBefore: true },
      ]),
      t('walk.kept', { what: t('walk.look') }),
    );
  return (
    <Lane
      name={t('walk.look')}
      all={walk === 'in' && open.length > 0 ? <All label={t('walk.asItWas')} onPress={asItWas} testID="look-as-it-was" /> : undefined}
    >
      {surfaces.map((surface) => {
        const name = say(surface.name, language);
        const mine = marks.filter((mark) => mark.surface === surface.id);
        const ghosts = walk === 'in' ? outMarks.filter((mark) => mark.surface === surface.id) : [];
        const looked = record.slots.has(`${walk}/surface/${surface.id}`);
        const shown = [
          ...ghosts.map((mark) => ({ mark, as: 'ghost' as const, label: '' })),
          ...mine.map((mark) => ({ mark, as: 'now' as const, label: '' })),
        ];
        const seen =
          ghosts.length > 0
            ? t('walk.seen', { n: ghosts.filter((ghost) => mine.some(({ id }) => id === ghost.id)).length, of: ghosts.length })
            : t('walk.known', { count: mine.length });
        return (
          <Row
            key={surface.id}
            label={`${name}, ${seen}, ${looked ? t('walk.lookedAt') : t('walk.notLooked')}`}
            onPress={() => onOpen(surface.id)}
            testID={`surface-${surface.id}`}
          >
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, paddingVertical: 6 }}>
              <SurfaceDrawing surface={surface} marks={shown} width={76} height={52} label={name} />
              <View style={{ flex: 1 }}>
                <Body>{name}</Body>
                <Small>{`${seen} · ${looked ? t('walk.lookedAt') : t('walk.notLooked')}`}</Small>
              </View>
              {looked ? <Tag kind="ok">✓</Tag> : <LookSign />}
            </View>
          </Row>
        );
      })}
    </Lane>
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

export const ReadLane = ({ view, onOpen }: { view: WalkView; onOpen: (gauge: string) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, pack, walk, language } = view;
  const { gauges } = view.stops[view.at]!;
  if (gauges.length === 0) return null;
  const tanks = pack.book.tanks.filter(({ id }) => gauges.some(({ tank }) => tank === id));
  return (
    <Lane name={t('walk.read')}>
      {gauges.map((gauge) => {
        const name = say(gauge.name, language);
        const found = slot(record, `${walk}/gauge/${gauge.id}`, 'gaugeRead');
        const was = walk === 'in' ? slot(record, `out/gauge/${gauge.id}`, 'gaugeRead')?.value.shown : undefined;
        const shown = (value: number) =>
          gauge.reads === 'needle' ? `${Math.round(value * 16)}/16` : `${figure(value)}${gauge.unit ? ` ${gauge.unit}` : ''}`;
        return (
          <View key={gauge.id}>
            <Row label={t('walk.set', { name })} onPress={() => onOpen(gauge.id)} testID={`gauge-${gauge.id}`}>
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 56 }}>
                <View style={{ flex: 1 }}>
                  <Body>{name}</Body>
                  {was !== undefined ? (
                    <Small size={14}>{t('walk.was', { v: shown(was) })}</Small>
                  ) : gauge.normal ? (
                    <Small size={14}>{`${t('walk.normal')}: ${say(gauge.normal, language)}`}</Small>
                  ) : null}
                </View>
                {found ? (
                  <View
                    style={{
                      backgroundColor: tones.weedPale,
                      borderRadius: 13,
                      paddingHorizontal: 12,
                      minHeight: 52,
                      justifyContent: 'center',
                    }}
                  >
                    <SlabBold size={26}>{shown(found.value.shown)}</SlabBold>
                  </View>
                ) : (
                  <View
                    style={{
                      flexDirection: 'row',
                      alignItems: 'center',
                      gap: 8,
                      borderRadius: 13,
                      borderWidth: 2,
                      borderStyle: 'dashed',
                      borderColor: tones.soft,
                      paddingHorizontal: 12,
                      minHeight: 52,
                    }}
                  >
                    <Svg width={22} height={22} viewBox="0 0 24 24">
                      <Path d={mdiGauge} fill={tones.soft} />
                    </Svg>
                    <Small>{t('walk.notRead')}</Small>
                  </View>
                )}
              </View>
            </Row>
            {found?.contradiction ? (
              <Quarrel values={found.standing.map(({ event: { body } }) => (body.kind === 'gaugeRead' ? shown(body.shown) : ''))} />
            ) : null}
          </View>
        );
      })}
      {tanks.map((tank) => {
        const fused = fuelOf(record, pack.book, tank);
        const estimate = walk === 'out' ? fused?.out : fused?.in;
        if (!estimate) return null;
        return (
          <View key={tank.id} style={{ paddingTop: 6, gap: 4 }}>
            <Bold>{`${say(tank.name, language)}: ${t('walk.fuel', { v: Math.round(estimate.value), low: Math.round(estimate.low), high: Math.round(estimate.high) })}`}</Bold>
            {fused?.askThird ? <Tag kind="ask">{t('walk.askThird')}</Tag> : null}
          </View>
        );
      })}
    </Lane>
  );
};

export const PropellerLane = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const { record, walk, language, enter } = view;
  const { propellers } = view.stops[view.at]!;
  if (propellers.length === 0) return null;
  return (
    <>
      {propellers.map((propeller) => {
        const found = slot(record, `${walk}/propeller/${propeller.id}`, 'evidenceGiven');
        const was = walk === 'in' ? slot(record, `out/propeller/${propeller.id}`, 'evidenceGiven')?.value.state : undefined;
        const words = (state: 'sound' | 'flawWithinLimit' | 'flawOverLimit' | 'notSeen') =>
          t(`walk.evidence.${state}`, { n: propeller.limitMm });
        return (
          <Lane key={propeller.id} name={say(propeller.name, language)}>
            <Body>{`${t(`walk.evidenceHow.${propeller.evidence}`)}. ${say(walk === 'out' ? propeller.outWhen : propeller.inWhen, language)}`}</Body>
            {was ? <Small>{t('walk.was', { v: words(was) })}</Small> : null}
            <View
              style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8, paddingTop: 8 }}
              role="radiogroup"
              aria-label={say(propeller.name, language)}
            >
              {(['sound', 'flawWithinLimit', 'flawOverLimit', 'notSeen'] as const).map((state) => (
                <Chip
                  key={state}
                  label={words(state)}
                  on={found?.value.state === state}
                  tone={state === 'sound' ? 'weed' : state === 'flawOverLimit' ? 'lead' : 'mari'}
                  testID={`prop-${state}`}
                  onPress={() =>
                    void enter(
                      [{ kind: 'evidenceGiven', walk, propeller: propeller.id, state, photos: [] }],
                      t('walk.kept', { what: words(state) }),
                    )
                  }
                />
              ))}
            </View>
            {found?.contradiction ? (
              <Quarrel values={found.standing.map(({ event: { body } }) => (body.kind === 'evidenceGiven' ? words(body.state) : ''))} />
            ) : null}
          </Lane>
        );
      })}
    </>
  );
};
