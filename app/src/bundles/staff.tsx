import { Slot } from 'expo-router';
import { i18n } from '../i18n';
import { en } from '../i18n/en';
import { HeadEnd } from '../ui/screen';
import { Gate } from '../topics/staff/Gate';
import { PendingLine } from '../topics/staff/PendingLine';
import { Frame } from '../topics/navigation/Frame';

i18n.addResourceBundle('en', 'translation', en, true);

/** What staff see first: the day and the sign-in, in a file that renters never load. */
export { Day } from '../topics/day/Day';

export const StaffFace = () => (
  <HeadEnd.Provider value={<PendingLine />}>
    <Gate>
      <Frame>
        <Slot />
      </Frame>
    </Gate>
  </HeadEnd.Provider>
);
