import type { BodyOf, Endpoint, ReplyOf } from '@quay/contract/endpoint';
import { textIsRight } from '@quay/contract/fleet';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call, NoAnswer, Refused } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { useSnack } from '../../ui/controls/snack';

/**
 * A book at the quay: fetched, put in place under the version that was seen, and put back by undo.
 * @param bodyOf what the shelf says of the book itself, as it is sent @param said what is told when it is kept
 */
export const useBook = <G extends Endpoint, C extends Endpoint, B>({
  key,
  get,
  change,
  params,
  bodyOf,
  said,
  versionOf,
}: {
  key: readonly string[];
  get: G;
  change: C;
  params: Record<string, string>;
  bodyOf: (book: B) => Record<string, unknown>;
  said: (next: ReplyOf<C>) => string;
  versionOf: (next: ReplyOf<C>) => number;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const snack = useSnack();
  const client = useQueryClient();
  const shelf = useQuery({ queryKey: key, queryFn: () => call(get, { params: params as never }) });
  const [kept, setKept] = useState(0);
  const put = useMutation({
    mutationFn: ({ book, version }: { book: B; version: number; before: B; undoing?: true }) =>
      call(change, { params: params as never, body: bodyOf(book) as never, headers: { 'if-match': `"${version}"` } }),
    onSuccess: async (next, { before, undoing }) => {
      // What was asked for before this was kept would come back older than it.
      await client.cancelQueries({ queryKey: key });
      client.setQueryData(key, next);
      setKept((n) => n + 1);
      const version = versionOf(next);
      snack({
        text: undoing ? t('walk.undone') : said(next),
        ...(undoing ? {} : { undo: () => put.mutate({ book: before, version, before, undoing: true }) }),
      });
    },
    // Changed by somebody else: what they made is fetched, what was typed here stays, and can be kept over it. It is busy until
    // then: kept again before, it would be refused again.
    onError: async (error) => {
      if (error instanceof Refused && error.problem.code === 'changedMeanwhile') await client.invalidateQueries({ queryKey: key });
    },
  });
  const fault = put.error instanceof Refused ? errorWords(put.error) : put.error ? t('fleet.offline') : undefined;
  const failed = shelf.error ? (shelf.error instanceof NoAnswer ? t('fleet.offline') : errorWords(shelf.error)) : undefined;
  return { data: shelf.data, failed, fault, busy: put.isPending, kept, put: put.mutate };
};

/** Says that a text is right as it is in the languages that wait, and fetches the book anew. @param key under which the book is known */
export const useTextRight = (key: readonly string[]) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: BodyOf<typeof textIsRight>) => call(textIsRight, { body }),
    onSuccess: () => client.invalidateQueries({ queryKey: key }),
  });
};
