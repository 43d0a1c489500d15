import { HireCard } from './HireCard';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useHire } from '../../local/hire';
import { Beside } from '../../ui/beside';
import { useRoom } from '../../ui/room';
import { DayList } from './DayList';
import { HireMissing } from '../record/HireMissing';

export const Hire = ({ hireId }: { hireId: string }) => {
  const { t } = useTranslation();
  const { wide } = useRoom();
  const { view, error, refetch } = useHire(hireId);
  // The list stays while another hire is fetched.
  const [base, setBase] = useState<string>();
  if (view && view.pack.base.id !== base) setBase(view.pack.base.id);
  const page = view ? <HireCard key={hireId} view={view} /> : <HireMissing error={error} onAgain={refetch} />;
  if (!wide) return page;
  return (
    <Beside label={t('nav.today')} list={base === undefined ? null : <DayList base={base} selected={hireId} />}>
      {page}
    </Beside>
  );
};
