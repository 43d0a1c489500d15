import { examine } from '@quay/core/drill/explore';
import { Drill } from '@quay/core/fleet/drills';
import type { Asked, Examined } from './drillProtocol';

/** Goes through a drill that is being written, state by state, beside the page that it is written on. */
self.onmessage = ({ data: { asked, drill } }: MessageEvent<Asked>) => {
  const read = Drill.safeParse(drill);
  const answer: Examined = read.success
    ? { asked, ...examine(read.data) }
    : {
        asked,
        states: 0,
        faults: read.error.issues.slice(0, 5).map((issue) => ({ path: issue.path.map(String).join('.'), reason: issue.message })),
      };
  self.postMessage(answer);
};
