import { type Page } from '@quay/core/walk/readback';
import { spoken } from '@quay/core/events/seal';
import type { TFunction } from 'i18next';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { measures } from '../../ui/units';
import { Body, Slab, Small } from '../../ui/words';

/** One thing that a return shows, or that either walk left open: what it is, and how grave. */
export type Row = { kind: 'stop' | 'ask'; text: string };

/** What comes first on the page: what is new, gone, broken or dirty, and what nobody looked at. Nothing of it is folded away. */
const foremost = (page: Page, t: TFunction): Row[] => {
  const stop = (text: string): Row => ({ kind: 'stop', text });
  const ask = (text: string): Row => ({ kind: 'ask', text });
  const line = (mark: Page['marks'][number]) =>
    t('sign.marksLine', { kind: t(`mark.${mark.kind as 'scratch'}`), size: measures().small(mark.sizeMm), surface: mark.surface });
  return [
    ...page.marks.flatMap((mark) =>
      mark.is === 'new' || mark.is === 'grown' ? [stop(`${t(`sign.mark.${mark.is}`)}: ${line(mark)}`)] : [],
    ),
    ...page.counts.flatMap(({ name, count, was }) => (was === undefined ? [] : [stop(`${name}: ${t('sign.countWas', { count, was })}`)])),
    ...(page.walk === 'in'
      ? page.counts.flatMap(({ name, state }) => (state === 'fine' ? [] : [stop(`${name}: ${t(`walk.state.${state as 'damaged'}`)}`)]))
      : []),
    ...page.propellers.flatMap(({ name, state }) =>
      state === 'sound' ? [] : [(state === 'notSeen' ? ask : stop)(`${name}: ${t(`sign.evidence.${state as 'sound'}`)}`)],
    ),
    ...(page.checks ?? []).flatMap(({ name, way, asItShould }) => (asItShould ? [] : [stop(`${name}: ${way}`)])),
    ...(page.pictures ?? []).map((name) => ask(`${name}: ${t('walk.pictureWanted')}`)),
  ];
};

/** The page as the renter reads it, and its digest as people read it to each other. */
export const ReadBack = ({ page, digest, t }: { page: Page; digest: string; t: TFunction }) => {
  const first = foremost(page, t);
  const open = page.open ?? [];
  // What comes back is read whole; what was told going out is long, and folds.
  const whole = page.walk === 'in' ? Infinity : undefined;
  return (
    <>
      {first.length + open.length > 0 ? (
        <Card style={{ gap: 8 }}>
          <Slab size={21} heading={2}>
            {t(`sign.first.${page.walk}`)}
          </Slab>
          {first.map(({ kind, text }, i) => (
            <Tag key={i} kind={kind} size={16}>
              {text}
            </Tag>
          ))}
          {open.length > 0 ? (
            <View style={{ gap: 3 }}>
              <Tag kind="ask" size={16}>
                {t('sign.notLookedAt', { count: open.length })}
              </Tag>
              <Body>{open.join(', ')}</Body>
            </View>
          ) : null}
        </Card>
      ) : page.walk === 'in' ? (
        <Notice kind="ok" title={t('sign.nothingFirst')} />
      ) : null}
      <Card style={{ gap: 14 }}>
        <Part
          title={t('sign.fuel', { tank: page.fuel.map(({ tank }) => tank).join(', ') })}
          rows={page.fuel.map(({ litres, low, high }) =>
            t('sign.fuelLine', {
              v: measures().litres(litres),
              low: measures().figure(low, 'L', 0),
              high: measures().figure(high, 'L', 0),
            }),
          )}
          limit={whole}
        />
        <Part
          title={t('sign.marks')}
          rows={
            page.marks.length > 0
              ? page.marks.map(
                  (mark) =>
                    `${t('sign.marksLine', { kind: t(`mark.${mark.kind as 'scratch'}`), size: measures().small(mark.sizeMm), surface: mark.surface })}${mark.is ? ` · ${t(`sign.mark.${mark.is}`)}` : ''}`,
                )
              : [t('sign.noMarks')]
          }
          limit={whole}
        />
        {page.checks ? <Part title={t('sign.checks')} rows={page.checks.map(({ name, way }) => `${name}: ${way}`)} limit={whole} /> : null}
        <Part
          title={t('sign.propellers')}
          rows={page.propellers.map(({ name, state }) => `${name}: ${t(`sign.evidence.${state as 'sound'}`)}`)}
        />
        <Part
          title={t('sign.counts')}
          rows={page.counts.map(
            ({ name, count, of, state }) =>
              `${name}: ${t('sign.shortOf', { count, of })}${state === 'fine' ? '' : `, ${t(`walk.state.${state as 'damaged'}`)}`}`,
          )}
          limit={whole}
        />
        <Part title={t('sign.gauges')} rows={page.gauges.map(({ name, shown }) => `${name}: ${shown}`)} limit={whole} />
        <Part title={t('sign.onePress')} rows={page.onePress?.length ? [page.onePress.join(', ')] : []} />
        <Part
          title={t('sign.drills')}
          rows={(page.drills ?? []).map(
            ({ name, how, mistakes }) =>
              `${name}: ${t(`drill.how.${how}`)}${mistakes > 0 ? `, ${t('drill.mistakes', { count: mistakes })}` : ''}`,
          )}
        />
        <Part title={t('sign.clauses')} rows={page.clauses === undefined ? [] : [page.clauses]} />
        <Part title={t('sign.told')} rows={page.briefed.map((one) => `✓ ${one}`)} limit={4} />
        <Part title={t('sign.read')} rows={(page.read ?? []).map((one) => `✓ ${one}`)} limit={4} />
        <Part title={t('sign.skipped')} rows={page.skipped.map((one) => `– ${one}`)} />
        <Part
          title={t('sign.remarks')}
          rows={(page.remarks ?? []).map(({ as, text }) => `${t(`sign.remarkOf.${as}`)}: ${text}`)}
          limit={whole}
        />
        <Small size={14}>{t('sign.checked')}</Small>
        <Small size={14}>{t('sign.digest', { d: spoken(digest) })}</Small>
      </Card>
    </>
  );
};

const Part = ({ title, rows, limit = 6 }: { title: string; rows: readonly string[]; limit?: number | undefined }) => {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  return (
    <View style={{ gap: 3 }}>
      <Slab size={19} tone="primaryText" heading={2}>
        {title}
      </Slab>
      {(all ? rows : rows.slice(0, limit)).map((row, i) => (
        <Body key={i}>{row}</Body>
      ))}
      {!all && rows.length > limit ? (
        <Button mode="outlined" label={t('sign.more', { n: rows.length })} onPress={() => setAll(true)} />
      ) : null}
    </View>
  );
};
