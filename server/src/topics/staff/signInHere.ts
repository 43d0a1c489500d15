import type { CookieOptions } from 'express';
import { readHandoverPolicy, readOperator } from '../../platform/database/setting';
import { type Session, signIn } from '../../platform/signIn/session';
import type { Call, Quay } from '../../platform/http/mount';
import { fail } from '../../platform/http/problem';

export const cookie = (quay: Quay, days: number): CookieOptions => ({
  httpOnly: true,
  sameSite: 'strict',
  secure: quay.secureCookies,
  path: '/',
  maxAge: days * 86_400_000,
});

/** Who is signed in, on which device, for whom. */
export const meOf = async (quay: Quay, { staff, device }: Session) => {
  const { db } = quay.store;
  const operator = (await readOperator(db)) ?? fail(500, 'noOperator');
  return {
    staff,
    device: { id: device.id, name: device.name, enrolled: Boolean(device.enrolled) },
    operator: { ...operator, units: (await readHandoverPolicy(db)).units },
  };
};

/** Says how a sign-in or a code was not good. */
export const refuse = (call: Call<unknown>, { reason, waitS }: { reason: string; waitS: number }): never => {
  if (reason === 'wait') {
    call.res.set('Retry-After', String(waitS));
    return fail(429, 'wait', { seconds: waitS });
  }
  if (reason === 'wrongHere') return fail(401, 'wrongHere');
  return fail(401, 'wrong');
};

/** Signs somebody in on the device that asks, with the cookies that say so from now on. */
export const signInHere = async (call: Call<unknown>, name: string, secret: string) => {
  const { quay, cookies, res, req } = call;
  const done = await signIn(quay.store.db, name, secret, cookies.quay_device, req.ip ?? '', new Date(call.now));
  if (!done.ok) return refuse(call, done);
  res.cookie('quay_session', done.token, cookie(quay, 1));
  if (done.deviceToken !== undefined) res.cookie('quay_device', done.deviceToken, cookie(quay, 3650));
  return { ...(await meOf(quay, done.session)), grant: done.grant };
};
