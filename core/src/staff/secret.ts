export const STAFF_ROLES = ['hand', 'manager'] as const;
export type StaffRole = (typeof STAFF_ROLES)[number];

/** Whether a secret is one for the role: a PIN of six to twelve digits for a hand, ten characters or more for a manager. */
export const secretFits = (role: StaffRole, secret: string): boolean =>
  role === 'hand' ? /^\d{6,12}$/.test(secret) : secret.length >= 10 && secret.length <= 200;
