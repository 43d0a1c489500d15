import { boatNotes } from '@quay/contract/hire';
import { currentOf } from '@quay/core/events/record';
import { happenedAt } from '@quay/core/events/stored';
import { NOTE_MOST, noteLeft } from '@quay/core/turnaround/events';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { type HireView, useHire } from '../../local/hire';
import { Card, Notice } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';
import { TextField } from '../../ui/controls/textField';
import { whenOf } from '../../ui/format';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Body, Small } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';

export const NotesPage = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Notes view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** What hands tell each other about a boat: notes of this hire from this phone, with or without signal, those before it from the quay. */
const Notes = ({ view }: { view: HireView }) => {
  const { t, i18n } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const { width, wide } = useRoom();
  const { hire, boat, base } = view.pack;
  const now = useNow();
  const [text, setText] = useState('');
  const earlier = useQuery({ queryKey: ['notes', hire.id], queryFn: () => call(boatNotes, { params: { hireId: hire.id } }) });
  const own = (currentOf(view.record, ['note'], noteLeft)?.currentEvents ?? []).map((one) => ({
    id: one.event.id,
    by: one.actor.id,
    at: new Date(happenedAt(one)).toISOString(),
    text: one.event.body.text,
  }));
  const notes = [...own.reverse(), ...(earlier.data?.notes.filter((note) => note.hire !== hire.id) ?? [])];
  const leave = async () => {
    const left = await view.add([{ kind: 'noteLeft', text: text.trim() }]);
    setText('');
    snack({ text: t('notes.left'), undo: () => void view.undo(left) });
  };
  return (
    <Screen title={t('notes.title')} sub={boat.name} onBack={() => router.push(`/hire/${hire.id}`)} measure={wide ? 760 : width}>
      <View style={{ padding: 12, gap: 12 }}>
        <TextField label={t('notes.field')} value={text} onChange={setText} lines={3} most={NOTE_MOST} testID="note-text" />
        <Small>{t('notes.read')}</Small>
        <Button mode="contained" label={t('notes.leave')} disabled={text.trim() === ''} onPress={() => void leave()} testID="note-leave" />
        {earlier.error ? <Notice kind="ask" title={t('notes.onlyHere', { why: errorWords(earlier.error) })} /> : null}
        {notes.map((note) => (
          <Card key={note.id} style={{ padding: 14, gap: 4 }}>
            <Body>{note.text}</Body>
            <Small>{`${whenOf(note.at, base.zone, now, i18n.language)} · ${note.by}`}</Small>
          </Card>
        ))}
        {notes.length === 0 && !earlier.isPending ? <Small>{t('notes.none')}</Small> : null}
      </View>
    </Screen>
  );
};
