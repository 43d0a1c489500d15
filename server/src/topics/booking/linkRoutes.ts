import { toString as qrSvg } from 'qrcode';
import * as api from '@quay/contract/renter';
import { mustExist } from './mustExist';
import { closeRenterSession, linksOf, makeLink, openLink, withdrawLinks } from '../../platform/signIn/renter';
import { on, staffOf } from '../../platform/http/mount';
import { ProblemError } from '../../platform/http/problem';

export const linkRoutes = [
  on(api.makeLink, async (call) => {
    const { quay, params, req, now } = call;
    await mustExist(call, params.hireId);
    const { token, expiresAt } = await makeLink(quay.store.db, params.hireId, staffOf(call).staff.id, new Date(now));
    // In the fragment, which no server and no log ever sees.
    const url = `${req.protocol}://${req.get('host') ?? ''}/r/#${token}`;
    return { url, expiresAt, qrSvg: await qrSvg(url, { type: 'svg', margin: 1 }) };
  }),
  on(api.listLinks, async (call) => {
    await mustExist(call, call.params.hireId);
    const links = await linksOf(call.quay.store.db, call.params.hireId, new Date(call.now));
    return { links };
  }),
  on(api.withdrawLinks, async (call) => {
    await mustExist(call, call.params.hireId);
    return { withdrawn: await withdrawLinks(call.quay.store.db, call.params.hireId, new Date(call.now)) };
  }),
  on(api.openLink, async ({ quay, body, req, res, cookies, now }) => {
    const opened = await openLink(quay.store.db, body.token, (hire) => cookies[api.renterCookie(hire)], req.ip ?? '', new Date(now));
    if (!opened.ok) {
      if (opened.waitS > 0) res.set('Retry-After', String(opened.waitS));
      throw opened.waitS > 0 ? new ProblemError(429, 'wait', { seconds: opened.waitS }) : new ProblemError(404, 'noSuchLink');
    }
    const { session } = opened;
    res.cookie(api.renterCookie(session.hire), opened.token, {
      httpOnly: true,
      sameSite: 'strict',
      secure: quay.secureCookies,
      path: '/api',
      // From now on by the browser's clock, which in a demonstration is another than ours.
      maxAge: Date.parse(opened.expiresAt) - Date.parse(now),
    });
    return { hireId: session.hire, renter: session.renter, device: { id: session.device.id } };
  }),
  on(api.closeLink, async ({ quay, params, cookies, res }) => {
    const name = api.renterCookie(params.hireId);
    await closeRenterSession(quay.store.db, cookies[name] ?? '');
    res.clearCookie(name, { path: '/api' });
    return { ok: true as const };
  }),
];
