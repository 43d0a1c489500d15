import type { Person } from '@quay/core/party/people';
import type { RuleSet } from '@quay/core/party/rules';
import { isChild } from '@quay/core/party/suits';
import type { HireView } from '../../local/hire';
import { saveSheet } from '../../local/outbox/save';

const salt = (): string => [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');

/** Keeps who is aboard: the sheet first, then the event that names its digest. */
export const keepParty = async (view: HireView, people: Person[], rules: RuleSet | null) => {
  const sheet = await saveSheet(view.pack.hire.id, { salt: salt(), party: { people } });
  const children = rules ? people.filter((person) => isChild(person, rules)).length : 0;
  return view.add([{ kind: 'partySet', sheet, people: people.length, children }]);
};
