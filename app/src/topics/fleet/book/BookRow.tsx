import { LANGUAGES, type Wording } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../../ui/board';
import { ListRow } from '../../../ui/controls/listRow';
import { Body, Small } from '../../../ui/words';
import { type BookKind, LAYERED } from './bookKind';
import { type RowOrigin } from './RowSheet';

export type AnyRow = Readonly<Record<string, unknown>> & { id: string };

/** A row of a book in a list: what it says, where it comes from, and in which languages it has still to be said. */
export const BookRow = ({
  kind,
  row,
  line,
  waiting,
  origin,
  onOpen,
}: {
  kind: BookKind;
  row: AnyRow;
  /** What it says, where its words do not. */
  line?: string;
  /** Languages that a text of it is to be translated into. */
  waiting: readonly string[];
  origin: RowOrigin;
  onOpen: () => void;
}) => {
  const { t } = useTranslation();
  const words = wordsOf(row);
  const name = words?.en ?? row.id;
  const missing = words && line === undefined ? LANGUAGES.filter((language) => words[language] === undefined) : [];
  return (
    <ListRow label={name} onPress={onOpen} testID={`edit-${row.id}`} style={{ paddingVertical: 9, gap: 4 }}>
      <Body>{name}</Body>
      {line ? <Small>{line}</Small> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {typeof row.weight === 'string' ? (
          <Tag kind={row.weight === 'must' ? 'ok' : 'calm'}>{t(`fleet.option.${row.weight as 'must'}`)}</Tag>
        ) : null}
        {typeof row.seconds === 'number' ? <Small>{t('brief.seconds', { n: row.seconds })}</Small> : null}
        {typeof row.count === 'number' && line === undefined ? <Small>{`× ${row.count}`}</Small> : null}
        {!LAYERED.has(kind) ? null : (
          <Tag kind={origin.is === 'changed' || origin.is === 'own' ? 'ask' : 'calm'}>
            {t(`fleet.origin.${origin.is}`, { name: origin.name })}
          </Tag>
        )}
        {missing.length > 0 ? <Tag kind="ask">{t('fleet.lacks', { languages: missing.join(', ') })}</Tag> : null}
        {waiting.length > 0 ? <Tag kind="ask">{t('fleet.toTranslate', { languages: waiting.join(', ') })}</Tag> : null}
      </View>
    </ListRow>
  );
};

export const wordsOf = (row: AnyRow): Wording | undefined => (row.say ?? row.name) as Wording | undefined;
