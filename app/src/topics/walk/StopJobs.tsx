import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Body } from '../../ui/words';
import { FittingSheet } from '../condition/FittingSheet';
import { SurfaceSheet } from '../condition/SurfaceSheet';
import { GaugeSheet } from '../fuel/GaugeSheet';
import { CheckSection } from '../condition/CheckSection';
import { CountSection } from '../condition/CountSection';
import { LookSection } from '../condition/LookSection';
import { PropellerSection } from '../condition/PropellerSection';
import { ProveSection } from '../drill/ProveSection';
import { ReadSection } from '../fuel/ReadSection';
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
      <CountSection view={view} onOpen={(id) => open({ what: 'fitting', id })} />
      <PropellerSection view={view} />
      <LookSection view={view} onOpen={(id) => open({ what: 'surface', id })} />
      <ReadSection view={view} onOpen={(id) => open({ what: 'gauge', id })} />
      <CheckSection view={view} />
      <ProveSection view={view} />
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
  const { missing } = stop;
  const all = [...stop.fittings, ...stop.propellers, ...stop.surfaces, ...stop.gauges, ...stop.checks];
  const rows = all.filter(({ id }) =>
    [missing.fittings, missing.propellers, missing.surfaces, missing.gauges, missing.checks].some((ids) => ids.includes(id)),
  );
  return (
    <View style={{ gap: 4 }}>
      {rows.map(({ id, name }) => (
        <Body key={id}>{`– ${say(name, view.language)}`}</Body>
      ))}
      {all
        .filter(({ id }) => missing.pictures.includes(id))
        .map(({ id, name }) => (
          <Body key={`picture/${id}`}>{`– ${say(name, view.language)}: ${t('walk.pictureWanted')}`}</Body>
        ))}
    </View>
  );
};
