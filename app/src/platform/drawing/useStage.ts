import Konva from 'konva';
import { useEffect, useRef } from 'react';

/**
 * A board that is drawn anew whenever what it shows is another; nothing of it is kept on the board.
 * @param draw puts everything on the stage's one layer @param begin what is listened to for as long as the board is there
 * @returns what the board lies in
 */
export const useStage = <P extends { width: number; height: number }>(
  props: P,
  draw: (stage: Konva.Stage, latest: { current: P }) => void,
  begin?: (stage: Konva.Stage, latest: { current: P }) => void,
) => {
  const holder = useRef<HTMLDivElement>(null);
  const stage = useRef<Konva.Stage>(undefined);
  const latest = useRef(props);
  latest.current = props;
  const how = useRef({ draw, begin });
  const { width, height } = props;
  useEffect(() => {
    const made = new Konva.Stage({ container: holder.current!, width, height });
    made.add(new Konva.Layer());
    how.current.begin?.(made, latest);
    stage.current = made;
    how.current.draw(made, latest);
    return () => {
      made.destroy();
    };
  }, [width, height]);
  useEffect(() => {
    if (stage.current) how.current.draw(stage.current, latest);
  });
  return holder;
};
