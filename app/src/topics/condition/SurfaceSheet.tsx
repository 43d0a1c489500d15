import { marksOf } from '@quay/core/condition/placed';
import { currentOf } from '@quay/core/events/record';
import { markPlaced, surfaceSeen } from '@quay/core/condition/events';
import type { ComparisonBox } from '@quay/contract/compare';
import { type Mark, MARK_KINDS, type MarkKind } from '@quay/core/condition/marks';
import { say } from '@quay/core/words/words';
import { carried } from '@quay/core/walk/before';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { TouchableRipple } from '../../ui/controls/touchableRipple';
import { v7 as uuidv7 } from 'uuid';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { WIDE } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, Bold, Small } from '../../ui/words';
import { PairSheet } from '../photo/compare/PairSheet';
import { usePair } from '../photo/compare/useComparisons';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';
import type { WalkView } from '../../local/useWalk';
import { type Draft, DraftEditor, nearestSize, SIZES } from './DraftEditor';
import { NearSurface } from './NearSurface';

/** One surface, large: press where the flaw is; marks of departure stand pale behind. */
export const SurfaceSheet = ({
  view,
  surfaceId,
  hireId,
  onClose,
}: {
  view: WalkView;
  surfaceId: string;
  hireId: string;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const { width: screen } = useWindowDimensions();
  const [draft, setDraft] = useState<Draft>();
  /** Marks that came with the boat and are there no more: repaired, or polished out. */
  const [gone, setGone] = useState<readonly string[]>([]);
  const photo = usePhoto(hireId, { judge: true });
  const { record, walk, language, enter } = view;
  const pair = usePair(view, surfaceId, walk === 'in' && !view.alone);
  const [paired, setPaired] = useState(false);
  const surface = view.pack.book.surfaces.find(({ id }) => id === surfaceId);
  if (!surface) return null;
  const width = Math.min(screen >= WIDE ? 640 : screen, 640) - 36;
  const name = say(surface.name, language);
  const mine = marksOf(record, walk).filter((mark) => mark.surface === surfaceId);
  // Going out, what came with the boat; coming in, what was there at departure.
  const ghosts =
    walk === 'in'
      ? marksOf(record, 'out').filter((mark) => mark.surface === surfaceId && !mine.some(({ id }) => id === mark.id))
      : carried(record, view.pack.before, surfaceId).filter(({ id }) => !gone.includes(id));
  /** A mark keeps its number while it is changed; a new one takes the next. */
  const numberOf = (id: string) => mine.findIndex((mark) => mark.id === id) + 1 || mine.length + 1;
  const looked = currentOf(record, [walk, 'surface', surfaceId], surfaceSeen)?.value;
  // The last picture that was accepted of this side: of departure, or of the hire before.
  const { before } = view.pack;
  const outPicture = currentOf(record, ['out', 'surface', surfaceId], surfaceSeen)?.value.photos.at(-1);
  const earlier = before?.pictures[surfaceId];
  const guide =
    walk === 'in' && outPicture !== undefined
      ? { hire: hireId, sha: outPicture }
      : before && before.hire !== null && earlier !== undefined && !view.alone
        ? { hire: before.hire, sha: earlier }
        : undefined;
  const shown = [
    ...ghosts.map((mark) => ({ mark, as: 'ghost' as const, label: '?' })),
    ...mine.flatMap((mark, i) => (mark.id === draft?.id ? [] : [{ mark, as: 'now' as const, label: String(i + 1) }])),
    ...(draft ? [{ mark: draft, as: 'chosen' as const, label: String(numberOf(draft.id)) }] : []),
  ];
  const change = (part: Partial<Draft>) => setDraft((now) => now && { ...now, ...part });
  const place = (x: number, y: number) => {
    photo.forget();
    if (draft) change({ x, y });
    else setDraft({ id: uuidv7(), surface: surfaceId, x, y, kind: 'scratch', sizeMm: 40, note: '', photos: [], known: false });
  };
  const comparison = walk === 'in' ? pair : undefined;
  /** A standard view shows the whole side: a box lies on the drawing about where it lies on the photograph. */
  const fromBox = (box: ComparisonBox) => {
    const sizeMm = SIZES[nearestSize(Math.hypot(box.width * surface.widthM, box.height * surface.heightM) * 1000)]!;
    const photos = looked?.photos.slice(-1) ?? [];
    setDraft({
      id: uuidv7(),
      surface: surfaceId,
      x: box.x + box.width / 2,
      y: box.y + box.height / 2,
      kind: 'scratch',
      sizeMm,
      note: '',
      photos,
      known: false,
    });
    setPaired(false);
  };
  const pick = (mark: Mark, known: boolean) => setDraft({ ...mark, note: mark.note ?? '', known });
  const keepMark = async () => {
    if (!draft) return;
    const { known: _, note, ...mark } = draft;
    await enter([{ kind: 'markPlaced', walk, mark: { ...mark, ...(note.trim() ? { note: note.trim() } : {}) } }], t('walk.markKept'));
    setDraft(undefined);
  };
  const asItWas = (mark: Mark) =>
    void enter([{ kind: 'markPlaced', walk, mark: { ...mark, photos: [] }, asBefore: true }], t('walk.kept', { what: t('walk.asItWas') }));
  const takeAway = (mark: Mark) => {
    const found = currentOf(record, [walk, 'mark', mark.id], markPlaced);
    if (found) void view.undo(found.currentEvents);
    setDraft(undefined);
  };
  const done = async (more: string[] = []) => {
    const confirmed = walk === 'out' && more.length === 0 ? ghosts : [];
    await enter([
      ...confirmed.map((mark) => ({ kind: 'markPlaced' as const, walk, mark: { ...mark, photos: [] }, asBefore: true as const })),
      { kind: 'surfaceSeen', walk, surface: surfaceId, photos: [...(looked?.photos ?? []), ...more] },
    ]);
    if (more.length === 0) onClose();
  };
  const kinds = (kind: MarkKind) => (
    <ChoiceChip key={kind} label={t(`mark.${kind}`)} on={draft?.kind === kind} onPress={() => change({ kind })} testID={`kind-${kind}`} />
  );
  return (
    <ModalSheet
      title={name}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        draft ? (
          <>
            <Button mode="contained" label={t('walk.keepMark')} onPress={() => void keepMark()} testID="keep-mark" />
            <Button mode="outlined" label={t('common.cancel')} onPress={() => setDraft(undefined)} />
          </>
        ) : (
          <Button
            mode="contained"
            label={
              walk === 'out' && ghosts.length > 0
                ? t('walk.lookCarried', { count: ghosts.length })
                : mine.length > 0 || walk === 'out'
                  ? t('walk.lookDone')
                  : t('walk.nothingNew')
            }
            onPress={() => void done()}
            testID="surface-seen"
          />
        )
      }
    >
      <NearSurface
        surface={surface}
        marks={shown}
        width={width}
        onPlace={place}
        hint={
          ghosts.length > 0 ? `${t('walk.tapToPlace')}. ${t(walk === 'in' ? 'walk.ghost' : 'walk.ghostBefore')}.` : t('walk.tapToPlace')
        }
      />
      <PhotoTaking photo={photo} />
      {draft ? (
        <DraftEditor
          draft={draft}
          busy={photo.busy}
          change={change}
          kinds={MARK_KINDS.map(kinds)}
          onPhoto={(source) => void photo.take(source, (sha) => change({ photos: [...draft.photos, sha].slice(0, 12) }))}
          hireId={hireId}
          name={name}
        />
      ) : (
        <>
          {ghosts.map((mark) => (
            <View key={mark.id} style={{ gap: 8 }}>
              <Body>{`${t(('mark.' + mark.kind) as 'mark.scratch')}, ${measures().small(mark.sizeMm)} · ${t(walk === 'in' ? 'walk.departure' : 'walk.cameWithHer')}`}</Body>
              <View style={{ flexDirection: 'row', gap: 8 }}>
                <Button
                  mode="outlined"
                  label={t('walk.sameMark')}
                  onPress={() => asItWas(mark)}
                  style={{ flex: 1 }}
                  testID={`same-${mark.id}`}
                />
                <Button
                  mode="outlined"
                  label={t('walk.grownMark')}
                  onPress={() => pick({ ...mark, photos: [] }, true)}
                  style={{ flex: 1 }}
                />
                {walk === 'out' ? (
                  <Button
                    mode="outlined"
                    label={t('walk.goneMark')}
                    onPress={() => setGone([...gone, mark.id])}
                    style={{ flex: 1 }}
                    testID={`gone-${mark.id}`}
                  />
                ) : null}
              </View>
            </View>
          ))}
          {comparison ? <Button mode="outlined" label={t('pair.open')} onPress={() => setPaired(true)} testID="pair-open" /> : null}
          {comparison && paired ? (
            <PairSheet view={view} comparison={comparison} onMark={fromBox} onClose={() => setPaired(false)} />
          ) : null}
          {mine.map((mark, i) => (
            <View key={mark.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
              <TouchableRipple
                role="button"
                onPress={() => pick(mark, true)}
                style={{ flex: 1, minHeight: 52, justifyContent: 'center' }}
                testID={`mark-${i + 1}`}
              >
                <>
                  <Bold>{`${i + 1} · ${t(`mark.${mark.kind}`)}, ${measures().small(mark.sizeMm)}`}</Bold>
                  <Small>{[mark.note, t('r.pictures', { count: mark.photos.length })].filter(Boolean).join(' · ')}</Small>
                </>
              </TouchableRipple>
              <Button mode="outlined" label={t('walk.removeMark')} onPress={() => takeAway(mark)} />
            </View>
          ))}
          <PhotoRow
            hireId={hireId}
            photos={looked?.photos ?? []}
            name={name}
            label={t('walk.surfacePhoto')}
            shown={2}
            always
            busy={photo.busy}
            onPick={(source) => void photo.take(source, (sha) => void done([sha]), guide)}
            testID="surface-photo"
          />
        </>
      )}
    </ModalSheet>
  );
};
