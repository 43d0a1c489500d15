/** Discs that stand together at one place of a drawing, px. */
type Group = { x: number; y: number; count: number };

/** From the middle of one disc to the middle of the next, px. */
const STEP = 30;
/** As many stand beside each other before the next row begins. */
const IN_A_ROW = 4;
/** A disc's middle is so far within the drawing, so that the largest is whole, px. */
const EDGE = 21;

/**
 * Where the discs of each group stand: beside and under each other round their place, whole within the drawing, and below
 * what stands there already.
 * @returns for each group the middles of its discs, px, in the order of the groups
 */
export const grouped = (groups: readonly Group[], room: { width: number; height: number }): [number, number][][] => {
  const within = (at: number, length: number, side: number) => Math.max(EDGE, Math.min(side - EDGE - length, at));
  const taken: { left: number; right: number; top: number; bottom: number; alone: boolean }[] = [];
  const placed = new Map<Group, [number, number][]>();
  for (const group of [...groups].sort((a, b) => a.y - b.y)) {
    const columns = Math.min(IN_A_ROW, group.count);
    const [across, down] = [(columns - 1) * STEP, (Math.ceil(group.count / IN_A_ROW) - 1) * STEP];
    const left = within(group.x - across / 2, across, room.width);
    let top = within(group.y - down / 2, down, room.height);
    const alone = group.count === 1;
    for (const other of taken) {
      // One alone shows its very place; two such may touch each other.
      if (alone && other.alone) continue;
      if (left < other.right && other.left < left + across + STEP && top < other.bottom && other.top < top + down + STEP)
        top = other.bottom;
    }
    top = within(top, down, room.height);
    taken.push({ left, right: left + across + STEP, top, bottom: top + down + STEP, alone });
    placed.set(
      group,
      Array.from({ length: group.count }, (_, i): [number, number] => [
        left + (i % IN_A_ROW) * STEP,
        top + Math.floor(i / IN_A_ROW) * STEP,
      ]),
    );
  }
  return groups.map((group) => placed.get(group)!);
};
