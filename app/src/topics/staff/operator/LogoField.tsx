import { dropLogo, getLogo, keepLogo } from '@quay/contract/operator';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { call, callForFile, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { LogoChoice } from './LogoChoice';

/** The logo that the quay keeps. @param logo its name, where there is one */
export const LogoField = ({ logo }: { logo: string | null }) => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const errorWords = useErrorWords();
  const again = () => client.invalidateQueries({ queryKey: ['operator'] });
  const keep = useMutation({ mutationFn: (file: File) => call(keepLogo, { bytes: file }), onSuccess: again });
  const drop = useMutation({ mutationFn: () => call(dropLogo), onSuccess: again });
  const { data } = useQuery({ queryKey: ['logo', logo], queryFn: () => callForFile(getLogo), enabled: logo !== null });
  const failed = keep.error ?? drop.error;
  return (
    <LogoChoice
      logo={logo === null ? undefined : data}
      fault={
        failed ? (failed instanceof Refused && failed.problem.code === 'noImage' ? t('operator.noPicture') : errorWords(failed)) : undefined
      }
      busy={keep.isPending || drop.isPending}
      onChoose={(file) => keep.mutate(file)}
      onDrop={() => drop.mutate()}
    />
  );
};
