import type { Walk } from '@quay/core/events/parts';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { useMe } from '../../local/session';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';

/** More an entry does not name; whoever has more presses once more. */
const AT_ONCE = 150;

/** A manager clears what was added to a walk after it was signed: what was signed stands again, and the entries stay in the record. */
export const ClearAdded = ({ view, walk }: { view: HireView; walk: Walk }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const manager = useMe().data?.staff.role === 'manager';
  const added = view.record.unsigned[walk].slice(0, AT_ONCE);
  if (!manager || added.length === 0) return null;
  const clear = async () => {
    const undone = await view.undo(added);
    snack({ text: t('again.cleared', { count: added.length }), undo: () => void view.undo(undone) });
  };
  return (
    <Button mode="outlined" label={t('again.clear', { count: added.length })} onPress={() => void clear()} testID={`clear-added-${walk}`} />
  );
};
