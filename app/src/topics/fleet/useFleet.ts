import { listBoats, listBooks } from '@quay/contract/fleet';
import { useQuery } from '@tanstack/react-query';
import { call } from '../../local/api';

/** Every boat, and the books that bear on several. */
export const useFleet = () => {
  const boats = useQuery({ queryKey: ['boats'], queryFn: () => call(listBoats) });
  const books = useQuery({ queryKey: ['books'], queryFn: () => call(listBooks) });
  return {
    boats: boats.data?.boats ?? [],
    classes: books.data?.classes ?? [],
    bases: books.data?.bases ?? [],
    rules: books.data?.rules ?? [],
    waters: books.data?.waters ?? [],
    error: boats.error ?? books.error,
    isPending: boats.isPending,
    again: () => {
      void boats.refetch();
      void books.refetch();
    },
  };
};
