import type { CrewFault, Overload } from '@quay/core/party/aboard';
import type { Rack } from '@quay/core/party/assignment';
import { massRange, type Person } from '@quay/core/party/people';
import type { Jacket } from '@quay/core/fleet/jacketKinds';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { measures } from '../../ui/units';

/** Fit in words: people, jackets and where to fetch them, and what is too much. */
export const useFitWords = ({ pack }: Pick<HireView, 'pack'>) => {
  const { t, i18n } = useTranslation();
  const nameOf = (person: Person, people: readonly Person[]) => person.name || t('party.person', { n: people.indexOf(person) + 1 });
  const massOf = (person: Person) => {
    const range = massRange(person);
    return !range
      ? ''
      : range[0] === range[1]
        ? measures().mass(range[0])
        : `${measures().figure(range[0], 'kg', 0)}–${measures().mass(range[1])}`;
  };
  const jacket = (rack: Pick<Rack, 'fitting' | 'where'> & { jacket?: Jacket | undefined }) => {
    if (rack.jacket && rack.where === 'brought')
      return t('own.own', {
        n: rack.jacket.newtons,
        from: measures().figure(rack.jacket.fromKg, 'kg', 0),
        to: measures().mass(rack.jacket.toKg),
      });
    const row = [...pack.book.fittings, ...pack.base.store].find(({ id }) => id === rack.fitting);
    return row ? say(row.name, i18n.language) : rack.fitting;
  };
  const where = (rack: Pick<Rack, 'fitting' | 'where'>) => {
    if (rack.where === 'brought') return t('own.yours');
    if (rack.where === 'store') return t('fit.store', { base: pack.base.name });
    const fitting = pack.book.fittings.find(({ id }) => id === rack.fitting);
    const station = pack.book.stations.find(({ id }) => id === fitting?.station);
    return station ? say(station.name, i18n.language) : '';
  };
  const overload = (one: Overload) => {
    if (one.is === 'heads') return t('fit.heads', { have: one.have, may: one.may });
    if (one.is === 'decks') return t('fit.decks', { have: one.have, may: one.may, state: t(`fit.state.${one.state}`) });
    const [low, high] = one.haveKg.map((kg) => measures().figure(kg, 'kg', 0));
    const most = measures().mass(one.haveKg[1]);
    return t(one.sure ? 'fit.load' : 'fit.loadPerhaps', {
      have: low === high ? most : `${low}–${most}`,
      may: measures().mass(one.mayKg),
    });
  };
  const crew = (fault: CrewFault, people: readonly Person[]) => {
    const person = 'person' in fault ? people.find(({ id }) => id === fault.person) : undefined;
    return t(`fit.crew.${fault.is}`, { name: person ? nameOf(person, people) : '', age: 'fromAge' in fault ? fault.fromAge : 0 });
  };
  return { nameOf, massOf, jacket, where, overload, crew };
};
