import * as z from 'zod/mini';
import { Units } from '@quay/core/number/units';
import { LANGUAGES } from '@quay/core/words/words';
import { endpoint } from './endpoint';
import { Id, Instant, nothing, Sha256 } from './parts';

export const StaffRole = z.enum(['hand', 'manager']);
export const Me = z.object({
  staff: z.object({ id: Id, name: z.string(), role: StaffRole }),
  device: z.object({ id: Id, name: z.string(), enrolled: z.boolean() }),
  operator: z.object({ name: z.string(), currency: z.string(), simulated: z.boolean(), units: Units }),
});
export type Me = z.infer<typeof Me>;

export const health = endpoint({
  name: 'health',
  summary: 'Whether the quay answers, and which version.',
  method: 'GET',
  path: '/health',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true), version: z.string() }),
});

export const describeApi = endpoint({
  name: 'describeApi',
  summary: 'This description, in OpenAPI.',
  method: 'GET',
  path: '/openapi.json',
  roles: ['hand', 'manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.record(z.string(), z.unknown()),
});

export const signIn = endpoint({
  name: 'signIn',
  summary: 'Sign in: a manager with a password, a hand with a PIN on an enrolled phone.',
  method: 'POST',
  path: '/session',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: z.object({ name: z.string().check(z.minLength(1), z.maxLength(80)), secret: z.string().check(z.minLength(1), z.maxLength(200)) }),
  /** The grant lets this device deliver, later and under whoever's session, what this person made. */
  reply: z.extend(Me, { grant: z.string() }),
});

export const whoSignsIn = endpoint({
  name: 'whoSignsIn',
  summary: 'Who may sign in on this phone, by name: nobody is named to a phone that no manager has registered.',
  method: 'GET',
  path: '/session/names',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: nothing,
  /** `setUp`: whether there is an operator here at all. */
  reply: z.object({ registered: z.boolean(), names: z.array(z.string()), setUp: z.boolean() }),
});

export const me = endpoint({
  name: 'me',
  summary: 'Who is signed in here.',
  method: 'GET',
  path: '/session',
  roles: ['hand', 'manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: Me,
});

export const signOut = endpoint({
  name: 'signOut',
  summary: 'Sign out on this device.',
  method: 'DELETE',
  path: '/session',
  roles: ['hand', 'manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});

const staffParams = z.object({ staffId: Id });
const person = {
  name: z.string().check(z.trim(), z.minLength(1), z.maxLength(80)),
  role: StaffRole,
  languages: z._default(z.array(z.enum(LANGUAGES)).check(z.maxLength(LANGUAGES.length)), []),
  bases: z._default(z.array(Id).check(z.maxLength(200)), []),
};
const done = z.object({ ok: z.literal(true) });

export const listStaff = endpoint({
  name: 'listStaff',
  summary: 'Who works here, and who no longer does.',
  method: 'GET',
  path: '/staff',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({
    staff: z.array(
      z.object({
        id: Id,
        name: z.string(),
        role: StaffRole,
        withdrawnAt: z.nullable(Instant),
        version: z.int(),
        languages: z.array(z.enum(LANGUAGES)),
        /** Where they work; of none, at every base. */
        bases: z.array(Id),
        /** Somebody brought from elsewhere cannot sign in until a manager gives them a PIN or password. */
        hasSecret: z.boolean(),
      }),
    ),
    bases: z.array(z.object({ id: Id, name: z.string() })),
  }),
});

export const addStaff = endpoint({
  name: 'addStaff',
  summary: 'Adds somebody who works here, with the PIN or password they first sign in with.',
  method: 'POST',
  path: '/staff',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: z.object({ ...person, secret: z.string().check(z.minLength(1), z.maxLength(200)) }),
  reply: z.object({ id: Id }),
});

export const changeStaff = endpoint({
  name: 'changeStaff',
  summary: 'Changes who somebody is. Whoever becomes another role has a new PIN or password, and signs in anew.',
  method: 'PATCH',
  path: '/staff/:staffId',
  roles: ['manager'],
  params: staffParams,
  query: nothing,
  versioned: true,
  body: z.object({ ...person, secret: z.optional(z.string().check(z.minLength(1), z.maxLength(200))) }),
  reply: done,
});

export const whoSpeaks = endpoint({
  name: 'whoSpeaks',
  summary: 'Who of a base speaks a language with renters, by name.',
  method: 'GET',
  path: '/staff/speaking',
  roles: ['hand', 'manager'],
  params: nothing,
  query: z.object({ base: Id, language: z.enum(LANGUAGES) }),
  body: nothing,
  reply: z.object({ names: z.array(z.string()) }),
});

export const withdrawStaff = endpoint({
  name: 'withdrawStaff',
  summary: 'Withdraws somebody: they sign in no more, and wherever they are signed in it ends. What they entered stays.',
  method: 'DELETE',
  path: '/staff/:staffId',
  roles: ['manager'],
  params: staffParams,
  query: nothing,
  body: nothing,
  reply: done,
});

export const takeBackStaff = endpoint({
  name: 'takeBackStaff',
  summary: 'Lets somebody sign in again who was withdrawn.',
  method: 'POST',
  path: '/staff/:staffId/back',
  roles: ['manager'],
  params: staffParams,
  query: nothing,
  body: nothing,
  reply: done,
});

export const changeSecret = endpoint({
  name: 'changeSecret',
  summary: 'Gives somebody a new PIN or password. Wherever they are signed in with the old one it ends.',
  method: 'POST',
  path: '/staff/:staffId/secret',
  roles: ['manager'],
  params: staffParams,
  query: nothing,
  body: z.object({ secret: z.string().check(z.minLength(1), z.maxLength(200)) }),
  reply: done,
});

export const makeEnrolment = endpoint({
  name: 'makeEnrolment',
  summary: 'A code, good once and for ten minutes, that enrols a phone.',
  method: 'POST',
  path: '/enrolments',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ code: z.string(), qrSvg: z.string(), url: z.string(), expiresAt: Instant }),
});

export const enrol = endpoint({
  name: 'enrol',
  summary: 'Enrols this phone with a manager’s code; part of signing in, so it needs no session.',
  method: 'POST',
  path: '/devices',
  roles: 'open',
  params: nothing,
  query: nothing,
  body: z.object({ code: z.string().check(z.minLength(1), z.maxLength(80)), name: z.string().check(z.minLength(1), z.maxLength(60)) }),
  reply: z.object({ id: Id, name: z.string() }),
});

export const nameKey = endpoint({
  name: 'nameKey',
  summary: 'Names the public key this device signs seals with.',
  method: 'POST',
  path: '/devices/key',
  roles: ['hand', 'manager', 'renter'],
  params: nothing,
  query: nothing,
  body: z.object({ spki: z.string().check(z.regex(/^[A-Za-z0-9+/=]{40,400}$/)) }),
  reply: z.object({ fingerprint: Sha256 }),
});

export const Device = z.object({
  id: Id,
  name: z.string(),
  enrolled: z.boolean(),
  createdAt: Instant,
  seenAt: z.nullable(Instant),
  withdrawnAt: z.nullable(Instant),
  key: z.nullable(Sha256),
});
export const listDevices = endpoint({
  name: 'listDevices',
  summary: 'Phones and desks that have signed in.',
  method: 'GET',
  path: '/devices',
  roles: ['manager'],
  params: nothing,
  query: nothing,
  body: nothing,
  reply: z.object({ devices: z.array(Device) }),
});

export const withdrawDevice = endpoint({
  name: 'withdrawDevice',
  summary: 'Withdraws a phone: no PIN works on it any more.',
  method: 'DELETE',
  path: '/devices/:deviceId',
  roles: ['manager'],
  params: z.object({ deviceId: Id }),
  query: nothing,
  body: nothing,
  reply: z.object({ ok: z.literal(true) }),
});
