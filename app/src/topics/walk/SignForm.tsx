import { ReadBack } from './ReadBack';
import { type StoredHireEvent } from '@quay/core/record/event';
import { sealContent } from '@quay/core/record/project';
import { pageDigest, pageOf } from '@quay/core/walk/readback';
import { sealMessage } from '@quay/core/events/seal';
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { type ScrollView, View } from 'react-native';
import { signHere } from '../../local/deviceKey';
import { eventsHere } from '../../local/localDb';
import { savePhoto } from '../../local/outbox/save';
import { SignatureField } from '../../platform/signature';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { measures } from '../../ui/units';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { useTones } from '../../ui/theme';
import { Body, Bold } from '../../ui/words';
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
  const page = useMemo(
    () => pageOf(record, pack.book, walk, pack.boat.name, language, { alone, measures: measures() }),
    [record, pack, walk, language, alone],
  );
  const digest = useMemo(() => pageDigest(page), [page]);
  // Who signs, signs the page as it stands: a remark added afterwards has to be signed as well.
  useEffect(() => setDrawn({}), [digest]);
  const notCompleted = view.stops.filter(({ completed }) => !completed).length;
  const field = Math.min(width, 640) - 24;

  const seal = async () => {
    setBusy(true);
    try {
      const signatures = [];
      for (const { as, commitment } of signers) {
        const drawing = drawn[as];
        if (!drawing) return;
        const sha = await savePhoto(hireId, drawing);
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
        {notCompleted > 0 ? (
          <Notice kind="ask" title={t('sign.open')}>
            <Body>{t('sign.openWhy', { count: notCompleted })}</Body>
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
