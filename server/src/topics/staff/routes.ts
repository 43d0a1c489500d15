import { secretFits } from '@quay/core/staff/secret';
import { toString as qrSvg } from 'qrcode';
import { openApi } from '@quay/contract/openapi';
import * as api from '@quay/contract/session';
import { basesOf } from '../booking/bases';
import { refreshUnsealed } from '../record/refresh';
import { readOperator } from '../../platform/database/setting';
import { endSession } from '../../platform/signIn/session';
import {
  addStaff,
  allStaff,
  changeSecret,
  changeStaff,
  deviceOf,
  devicesOf,
  enrol,
  makeEnrolment,
  namesOfStaff,
  nameKey,
  takeBackStaff,
  withdrawDevice,
  whoSpeaks,
  withdrawStaff,
} from '../../platform/signIn/staff';
import { on, staffOf, whoOf } from '../../platform/http/mount';
import { fail, ProblemError } from '../../platform/http/problem';
import { cookie, meOf, refuse, signInHere } from './signInHere';

export const staffRoutes = [
  on(api.health, ({ quay }) => Promise.resolve({ ok: true as const, version: quay.version })),
  on(api.describeApi, ({ quay }) => Promise.resolve(openApi(quay.version))),
  on(api.signIn, (call) => signInHere(call, call.body.name, call.body.secret)),
  on(api.whoSignsIn, async ({ quay, cookies }) => {
    const device = await deviceOf(quay.store.db, cookies.quay_device);
    const registered = Boolean(device?.enrolled);
    return {
      registered,
      names: registered ? await namesOfStaff(quay.store.db) : [],
      setUp: (await readOperator(quay.store.db)) !== undefined,
    };
  }),
  on(api.me, (call) => meOf(call.quay, staffOf(call))),
  on(api.signOut, async ({ quay, cookies, res, now }) => {
    if (cookies.quay_session !== undefined) await endSession(quay.store.db, cookies.quay_session, new Date(now));
    res.clearCookie('quay_session', { path: '/' });
    return { ok: true as const };
  }),
  on(api.listStaff, async ({ quay }) => ({
    staff: await allStaff(quay.store.db),
    bases: (await basesOf(quay.store.db)).map(({ id, name }) => ({ id, name })),
  })),
  on(api.whoSpeaks, async ({ quay, query }) => ({ names: await whoSpeaks(quay.store.db, query.base, query.language) })),
  on(api.changeStaff, async (call) => {
    const { quay, params, body, seen, now } = call;
    if (body.secret !== undefined && !secretFits(body.role, body.secret))
      return fail(400, body.role === 'hand' ? 'weakPin' : 'weakPassword');
    // Nobody takes from themselves what they change others with.
    if (params.staffId === staffOf(call).staff.id && body.role !== 'manager') return fail(409, 'oneself');
    const inTheWay = await changeStaff(quay.store.db, params.staffId, body, seen, new Date(now));
    switch (inTheWay) {
      case undefined:
        return { ok: true as const };
      case 'noSuchStaff':
        return fail(404, 'noSuchStaff');
      case 'changedMeanwhile':
        return fail(412, 'changedMeanwhile');
      case 'nameTaken':
        return fail(409, 'nameTaken', { name: body.name });
      case 'lastManager':
        return fail(409, 'lastManager');
      case 'secretWanted':
        return fail(400, body.role === 'hand' ? 'weakPin' : 'weakPassword');
    }
  }),
  on(api.addStaff, async ({ quay, body, now }) => {
    if (!secretFits(body.role, body.secret)) return fail(400, body.role === 'hand' ? 'weakPin' : 'weakPassword');
    const id = await addStaff(quay.store.db, body, new Date(now));
    if (id === undefined) throw new ProblemError(409, 'nameTaken', { name: body.name });
    return { id };
  }),
  on(api.withdrawStaff, async (call) => {
    const { quay, params, now } = call;
    if (params.staffId === staffOf(call).staff.id) return fail(409, 'oneself');
    const done = await withdrawStaff(quay.store.db, params.staffId, new Date(now));
    if (done === 'lastManager') return fail(409, 'lastManager');
    return done ? { ok: true as const } : fail(404, 'noSuchStaff');
  }),
  on(api.takeBackStaff, async ({ quay, params }) =>
    (await takeBackStaff(quay.store.db, params.staffId)) ? { ok: true as const } : fail(404, 'noSuchStaff'),
  ),
  on(api.changeSecret, async (call) => {
    const { quay, params, body, cookies, now } = call;
    const who = (await allStaff(quay.store.db)).find(({ id }) => id === params.staffId) ?? fail(404, 'noSuchStaff');
    if (!secretFits(who.role, body.secret)) return fail(400, who.role === 'hand' ? 'weakPin' : 'weakPassword');
    const own = who.id === staffOf(call).staff.id;
    await changeSecret(quay.store.db, who.id, body.secret, new Date(now), own ? cookies.quay_session : undefined);
    return { ok: true as const };
  }),
  on(api.makeEnrolment, async (call) => {
    const { code, expiresAt } = await makeEnrolment(call.quay.store.db, staffOf(call).staff.id, new Date(call.now));
    const url = `${call.req.protocol}://${call.req.get('host') ?? ''}/enrol#${code}`;
    return { code, expiresAt, url, qrSvg: await qrSvg(url, { type: 'svg', margin: 1 }) };
  }),
  on(api.enrol, async (call) => {
    const done = await enrol(call.quay.store.db, call.body.code, call.body.name, call.req.ip ?? '', new Date(call.now));
    if (!done.ok) return done.reason === 'wrong' ? fail(401, 'codeWrong') : refuse(call, done);
    call.res.cookie('quay_device', done.token, cookie(call.quay, 3650));
    return { id: done.device.id, name: done.device.name };
  }),
  on(api.nameKey, async (call) => {
    const done = await nameKey(call.quay.store.db, whoOf(call).device, call.body.spki);
    if (!done.ok) return fail(400, 'noKey');
    await refreshUnsealed(call.quay.store.db, call.quay.key, call.now);
    return { fingerprint: done.fingerprint };
  }),
  on(api.listDevices, async ({ quay }) => ({ devices: await devicesOf(quay.store.db) })),
  on(api.withdrawDevice, async (call) => {
    const own = await deviceOf(call.quay.store.db, call.cookies.quay_device);
    if (own?.id === call.params.deviceId) return fail(409, 'ownDevice');
    return (await withdrawDevice(call.quay.store.db, call.params.deviceId, call.now)) ? { ok: true as const } : fail(404, 'noSuchPhone');
  }),
];
