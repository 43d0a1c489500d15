import { deliver } from './outbox/deliver';
import { rememberMe, renewGrants } from './outbox/author';
import { me as meEndpoint, signIn as signInEndpoint, signOut as signOutEndpoint } from '@quay/contract/session';
import { setUp } from '@quay/contract/setup';
import type { BodyOf, ReplyOf } from '@quay/contract/endpoint';
import { type QueryClient, queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { stopFetchingAhead } from './prefetch';
import { call, NoAnswer, Refused } from './api';
import { speakIn } from '../ui/units';
import { nameDeviceKey } from './deviceKey';
import { readMe, StoreSilent, write } from './localDb';

/** Who is here: as the quay says, or, without signal, as this phone last knew. `null`: nobody. */
const meQuery = queryOptions({
  queryKey: ['me'],
  queryFn: async () => {
    // Where nobody has ever signed in there is no use in asking.
    if (!(await readMe())) return null;
    try {
      const me = await call(meEndpoint);
      speakIn(me.operator.units);
      await rememberMe(me, undefined);
      await nameDeviceKey();
      return me;
    } catch (error) {
      if (error instanceof NoAnswer) {
        const last = await readMe();
        speakIn(last?.operator.units);
        return last ?? null;
      }
      if (error instanceof Refused && error.problem.status === 401) return null;
      throw error;
    }
  },
  staleTime: 60_000,
  retry: (failed, error) => failed < 1 && !(error instanceof StoreSilent),
});

export const useMe = () => useQuery(meQuery);

/** Everything the quay has answered, but who is here. */
const forgetAnswers = (client: QueryClient) => client.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== meQuery.queryKey[0] });

/** Takes somebody in whom the quay has signed in. */
const useTakeIn = () => {
  const client = useQueryClient();
  return async ({ grant, ...me }: ReplyOf<typeof signInEndpoint>) => {
    // What was asked while nobody was here is asked anew.
    forgetAnswers(client);
    speakIn(me.operator.units);
    await rememberMe(me, grant);
    await renewGrants(me, grant);
    client.setQueryData(meQuery.queryKey, me);
    await nameDeviceKey();
    void deliver();
  };
};

export const useSignIn = () => {
  const takeIn = useTakeIn();
  return async (name: string, secret: string) => takeIn(await call(signInEndpoint, { body: { name, secret } }));
};

/** Sets the operator up, under the code that the server printed, and signs the first manager in. */
export const useSetUp = () => {
  const takeIn = useTakeIn();
  return async (body: BodyOf<typeof setUp>) => takeIn(await call(setUp, { body }));
};

/** Signs out here. What is kept stays, and still goes out in its maker's name. */
export const useSignOut = () => {
  const client = useQueryClient();
  return async () => {
    await stopFetchingAhead();
    await call(signOutEndpoint);
    await write(['named'], (tx) => tx.objectStore('named').delete('me'));
    client.setQueryData(meQuery.queryKey, null);
    forgetAnswers(client);
  };
};
