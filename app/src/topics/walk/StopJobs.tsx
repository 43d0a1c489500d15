import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Body } from '../../ui/words';
import { FittingSheet } from '../condition/FittingSheet';
import { SurfaceSheet } from '../condition/SurfaceSheet';
import { GaugeSheet } from '../fuel/GaugeSheet';
import { CheckLane } from '../condition/CheckLane';
import { CountLane } from '../condition/CountLane';
import { LookLane } from '../condition/LookLane';
import { PropellerLane } from '../condition/PropellerLane';
import { ProveLane } from '../drill/ProveLane';
import { ReadLane } from '../fuel/ReadLane';
import { ReportedHere } from '../condition/ReportedHere';
import type { WalkView } from '../../local/useWalk';

type Job = { what: 'fitting' | 'surface' | 'gauge'; id: string };

/**
 * What is counted, judged, looked at and read at the stop that is open, by whoever walks.
 * @param onSheet told when one of them is opened large, and when it closes again
 */
export const StopJobs = ({ view, onSheet }: { view: WalkView; onSheet?: (open: boolean) => void }) => {
  const { t } = useTranslation();
  const [job, setJob] = useState<Job>();
  const open = (next: Job | undefined) => {
    setJob(next);
    onSheet?.(next !== undefined);
  };
  const close = () => open(undefined);
  const { fittings, surfaces, gauges, propellers, points, checks } = view.stops[view.at]!;
  const nothing =
    fittings.length + surfaces.length + gauges.length + propellers.length + (view.walk === 'out' ? points : checks).length === 0;
  return (
    <>
      <ReportedHere view={view} />
      <CountLane view={view} onOpen={(id) => open({ what: 'fitting', id })} />
      <PropellerLane view={view} />
      <LookLane view={view} onOpen={(id) => open({ what: 'surface', id })} />
      <ReadLane view={view} onOpen={(id) => open({ what: 'gauge', id })} />
      <CheckLane view={view} />
      <ProveLane view={view} />
      {nothing ? <Body>{t('walk.nothingHere')}</Body> : null}
      {job?.what === 'fitting' ? <FittingSheet view={view} fittingId={job.id} onClose={close} /> : null}
      {job?.what === 'surface' ? <SurfaceSheet view={view} surfaceId={job.id} hireId={view.pack.hire.id} onClose={close} /> : null}
      {job?.what === 'gauge' ? <GaugeSheet view={view} gaugeId={job.id} onClose={close} /> : null}
    </>
  );
};

/** What is not yet counted, judged, looked at, read or found at this stop, by name and in the order of the stop. */
export const Missing = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const stop = view.stops[view.at]!;
  const { lacks } = stop;
  const all = [...stop.fittings, ...stop.propellers, ...stop.surfaces, ...stop.gauges, ...stop.checks];
  const rows = all.filter(({ id }) =>
    [lacks.fittings, lacks.propellers, lacks.surfaces, lacks.gauges, lacks.checks].some((ids) => ids.includes(id)),
  );
  return (
    <View style={{ gap: 4 }}>
      {rows.map(({ id, name }) => (
        <Body key={id}>{`– ${say(name, view.language)}`}</Body>
      ))}
      {all
        .filter(({ id }) => lacks.pictures.includes(id))
        .map(({ id, name }) => (
          <Body key={`picture/${id}`}>{`– ${say(name, view.language)}: ${t('walk.pictureWanted')}`}</Body>
        ))}
    </View>
  );
};
