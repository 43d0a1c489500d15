import { Units } from '@quay/core/number/units';
import { secretFits } from '@quay/core/staff/secret';
import { LANGUAGES } from '@quay/core/words/words';
import * as z from 'zod/mini';
import * as typed from '../../ui/controls/typed';

/** Who hires out, as it is typed. @param weak what to say of a password that is too short */
export const setUpForm = (weak: string) =>
  z.object({
    operator: typed.words(80, 'setUp.operatorWanted'),
    address: z.string().check(z.maxLength(200)),
    phone: z.string().check(z.maxLength(40)),
    currency: z.string().check(z.trim(), z.toUpperCase(), z.regex(/^[A-Z]{3}$/, 'setUp.badCurrency')),
    tax: typed.number({ from: 0, to: 100 }, 'setUp.badTax'),
    units: Units,
    languages: z.array(z.enum(LANGUAGES)).check(z.minLength(1, 'setUp.languageWanted')),
    manager: typed.words(80, 'setUp.managerWanted'),
    password: z.string().check(z.refine((text) => secretFits('manager', text), weak)),
  });
