import { type StoredHireEvent } from '@quay/core/record/event';
import { sealContent } from '@quay/core/record/project';
import { pageDigest, type Page, pageOf } from '@quay/core/walk/readback';
import { sealMessage, spoken } from '@quay/core/events/seal';
import type { TFunction } from 'i18next';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type ScrollView, View } from 'react-native';
import { signHere } from '../../local/deviceKey';
import { eventsHere } from '../../local/localDb';
import { keepPhoto } from '../../local/outbox';
import { SignatureField } from '../../platform/signature';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { useTones } from '../../ui/theme';
import { Body, Bold, Slab, Small } from '../../ui/words';
import { Remarks } from './Remarks';
import { useStopWords } from '../../i18n/stopWords';
import type { WalkView } from '../../local/useWalk';

/** Who signs: in which part, under which title, and the commitment that stands in the record for who it is. */
export type Signer = { as: 'renter' | 'staff'; title: string; commitment: string };

/** What was recorded is read back; whoever signs draws their name; the record is sealed, with or without signal. */
export const SignForm = ({
  view,
  signers,
  languages,
  above,
  stop,
  onBack,
  onSealed,
}: {
  view: WalkView;
  signers: readonly Signer[];
  /** Those the page can be read in; the renter's comes first, and is what they sign. */
  languages: readonly string[];
  /** Stands before what is read back. */
  above?: ReactNode;
  /** Why it cannot be sealed yet. */
  stop?: string | undefined;
  onBack: () => void;
  onSealed: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const [chosen, setChosen] = useState(languages[0] ?? 'en');
  const ready = useStopWords(chosen);
  const language = ready ? chosen : 'en';
  const snack = useSnack();
  const { width, wide } = useRoom();
  const [drawn, setDrawn] = useState<Partial<Record<Signer['as'], Blob | undefined>>>({});
  const [busy, setBusy] = useState(false);
  const scroll = useRef<ScrollView>(null);
  const { pack, record, walk, alone } = view;
  const hireId = pack.hire.id;
  // In the language it is shown in, which is what the renter signs.
  const page = useMemo(() => pageOf(record, pack.book, walk, pack.boat.name, language, alone), [record, pack, walk, language, alone]);
  const digest = useMemo(() => pageDigest(page), [page]);
  // Who signs, signs the page as it stands: a remark added afterwards has to be signed as well.
  useEffect(() => setDrawn({}), [digest]);
  const untied = view.stops.filter(({ completed }) => !completed).length;
  const field = Math.min(width, 640) - 24;

  const seal = async () => {
    setBusy(true);
    try {
      const signatures = [];
      for (const { as, commitment } of signers) {
        const drawing = drawn[as];
        if (!drawing) return;
        const sha = await keepPhoto(hireId, drawing);
        signatures.push({ kind: 'signed' as const, walk, as, page: digest, language: page.language, signer: commitment, drawing: sha });
      }
      const signed = await view.enter(signatures);
      // A full phone has been said; nothing is sealed that was not kept.
      if (signed.length === 0) return;
      // Everything of this hire that is on this phone, the signatures included; what comes later stands outside.
      const everything: StoredHireEvent[] = (await eventsHere(hireId)).map((row) => row.stored);
      const content = sealContent(everything, pack.previousSeal);
      const { signature, key } = await signHere(sealMessage(hireId, walk, content.root));
      const sealed = await view.enter([{ kind: 'sealed', walk, ...content, signature, key }]);
      if (sealed.length === 0) return;
      snack({ text: t('sign.done') });
      onSealed();
    } finally {
      setBusy(false);
    }
  };

  // Departure that was put right before she left is read and signed anew; the newer seal takes the older one's place.
  const again = walk === 'out' && view.sealed && record.unsigned.out.length > 0;
  if (view.sealed && !again) {
    return (
      <Screen
        title={t(`sign.title.${walk}`)}
        sub={pack.boat.name}
        onBack={onBack}
        measure={640}
        footer={<Button mode="contained" label={t('common.done')} onPress={onSealed} />}
      >
        <View style={{ padding: 12 }}>
          <Notice kind="ok" title={t('sign.already')} />
        </View>
      </Screen>
    );
  }
  return (
    <Screen
      title={t(`sign.title.${walk}`)}
      sub={`${pack.boat.name} · ${pack.hire.renter}`}
      onBack={() => {
        if (signers.some(({ as }) => drawn[as])) snack({ text: t('sign.left') });
        onBack();
      }}
      measure={wide ? 640 : width}
      scroll={scroll}
      footer={
        signers.every(({ as }) => drawn[as]) ? (
          <Button
            mode="contained"
            label={t(`sign.seal.${walk}`)}
            busy={busy}
            disabled={stop !== undefined}
            onPress={() => void seal()}
            testID="seal"
          />
        ) : (
          <Button
            mode="contained"
            label={t('sign.need', { count: signers.length })}
            tone="warning"
            onPress={() => scroll.current?.scrollToEnd()}
            testID="open-signatures"
          />
        )
      }
    >
      <View style={{ padding: 12, gap: 12 }}>
        {untied > 0 ? (
          <Notice kind="ask" title={t('sign.open')}>
            <Body>{t('sign.openWhy', { count: untied })}</Body>
          </Notice>
        ) : null}
        {stop === undefined ? null : <Notice kind="stop" title={stop} />}
        {above}
        {languages.length > 1 ? (
          <View style={{ flexDirection: 'row', gap: 6 }} role="radiogroup" aria-label={t('sign.language')}>
            {languages.map((one) => (
              <ChoiceChip
                key={one}
                label={one.toUpperCase()}
                on={chosen === one}
                onPress={() => setChosen(one)}
                testID={`read-in-${one}`}
              />
            ))}
          </View>
        ) : null}
        <ReadBack page={page} digest={digest} t={i18n.getFixedT(language)} />
        <Remarks view={view} as={signers.map(({ as }) => as)} />
        {signers.map(({ as, title }) => (
          <Signature key={`${as}/${digest}`} title={title} width={field} onDrawn={(png) => setDrawn((now) => ({ ...now, [as]: png }))} />
        ))}
      </View>
    </Screen>
  );
};

/** One thing that a return shows, or that either walk left open: what it is, and how grave. */
type Row = { kind: 'stop' | 'ask'; text: string };

/** What comes first on the page: what is new, gone, broken or dirty, and what nobody looked at. Nothing of it is folded away. */
const foremost = (page: Page, t: TFunction): Row[] => {
  const stop = (text: string): Row => ({ kind: 'stop', text });
  const ask = (text: string): Row => ({ kind: 'ask', text });
  const line = (mark: Page['marks'][number]) =>
    t('sign.marksLine', { kind: t(`mark.${mark.kind as 'scratch'}`), size: mark.sizeMm, surface: mark.surface });
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
const ReadBack = ({ page, digest, t }: { page: Page; digest: string; t: TFunction }) => {
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
          rows={page.fuel.map(({ litres, low, high }) => t('sign.fuelLine', { v: litres, low, high }))}
          limit={whole}
        />
        <Part
          title={t('sign.marks')}
          rows={
            page.marks.length > 0
              ? page.marks.map(
                  (mark) =>
                    `${t('sign.marksLine', { kind: t(`mark.${mark.kind as 'scratch'}`), size: mark.sizeMm, surface: mark.surface })}${mark.is ? ` · ${t(`sign.mark.${mark.is}`)}` : ''}`,
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
        <Part title={t('sign.told')} rows={page.told.map((one) => `✓ ${one}`)} limit={4} />
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

const Signature = ({ title, width, onDrawn }: { title: string; width: number; onDrawn: (png: Blob | undefined) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [wiped, setWiped] = useState(0);
  const [dot, setDot] = useState(false);
  const wipe = () => {
    setWiped(wiped + 1);
    setDot(false);
    onDrawn(undefined);
  };
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Bold style={{ flex: 1 }}>{title}</Bold>
        <Button mode="outlined" label={t('sign.wipe')} onPress={wipe} />
      </View>
      <View
        style={{
          borderWidth: 2,
          borderStyle: 'dashed',
          borderColor: tones.soft,
          borderRadius: 13,
          backgroundColor: '#FFFFFF',
          overflow: 'hidden',
        }}
      >
        <SignatureField
          width={width - 4}
          height={130}
          ink="#17211E"
          label={t('sign.signField', { who: title })}
          wiped={wiped}
          onDrawn={(png) => {
            setDot(false);
            onDrawn(png);
          }}
          onDot={() => setDot(true)}
        />
      </View>
      {dot ? (
        <Bold size={16} tone="dangerText" live>
          {t('sign.dot')}
        </Bold>
      ) : null}
    </View>
  );
};
