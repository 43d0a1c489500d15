import { mdiMagnifyMinusOutline, mdiMagnifyPlusOutline } from '@mdi/js';
import type { Surface } from '@quay/core/fleet/rows';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { IconButton } from '../../ui/controls/button';
import { type ShownMark, surfaceHeight, SurfaceDrawing } from '../../ui/drawn/surface';
import { Zoomable } from '../../ui/drawn/touch';
import { Small } from '../../ui/words';

/** How near one may come to the drawing. */
const NEAREST = 6;

/** How much nearer one press brings it. */
const STEP_NEARER = 1.6;

/** The drawing, come near to and pushed about; by itself, so that nothing else is drawn anew for it. */
export const NearSurface = ({
  surface,
  marks,
  width,
  onPlace,
  hint,
}: {
  surface: Surface;
  marks: readonly ShownMark[];
  width: number;
  onPlace: (x: number, y: number) => void;
  hint: string;
}) => {
  const { t } = useTranslation();
  const [near, setNear] = useState(1);
  const height = surfaceHeight(surface, width);
  return (
    <>
      <Zoomable width={width} height={height} nearest={NEAREST} near={near} onNear={setNear}>
        <SurfaceDrawing
          surface={surface}
          marks={marks}
          width={width}
          height={height}
          onPlace={onPlace}
          near={near}
          label={t('walk.tapToPlace')}
          testID="surface-drawing"
        />
      </Zoomable>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Small style={{ flex: 1 }}>{hint}</Small>
        <IconButton
          path={mdiMagnifyMinusOutline}
          label={t('walk.farther')}
          disabled={near <= 1}
          onPress={() => setNear(near < 1.05 * STEP_NEARER ? 1 : near / STEP_NEARER)}
          testID="farther"
        />
        <IconButton
          path={mdiMagnifyPlusOutline}
          label={t('walk.nearer')}
          disabled={near >= NEAREST}
          onPress={() => setNear(Math.min(NEAREST, near * STEP_NEARER))}
          testID="nearer"
        />
      </View>
    </>
  );
};
