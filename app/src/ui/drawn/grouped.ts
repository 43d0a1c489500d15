/** Discs that stand together at one place of a drawing, px. */
type Group = { x: number; y: number; count: number };

/** From the middle of one disc to the middle of the next, px. */
const STEP = 30;
/** As many stand beside each other before the next row begins. */
const IN_A_ROW = 4;
/** A disc's middle is so far within the drawing, so that the largest is whole, px. */
const EDGE = 21;

/**
 * Where the discs of each group stand: beside and under each other as near to their place as there is room, whole within the
 * drawing, and not upon another group. Two that are alone show their very places, even where they touch each other.
 * @returns for each group the middles of its discs, px, in the order of the groups
 */
export const grouped = (groups: readonly Group[], room: { width: number; height: number }): [number, number][][] => {
  const within = (at: number, length: number, side: number) => Math.max(EDGE, Math.min(side - EDGE - length, at));
  const taken: { left: number; right: number; top: number; bottom: number; alone: boolean }[] = [];
  const placed = new Map<Group, [number, number][]>();
  for (const group of [...groups].sort((a, b) => a.y - b.y)) {
    const columns = Math.min(IN_A_ROW, group.count);
    const [across, down] = [(columns - 1) * STEP, (Math.ceil(group.count / IN_A_ROW) - 1) * STEP];
    const alone = group.count === 1;
    const left = within(group.x - across / 2, across, room.width);
    const wanted = within(group.y - down / 2, down, room.height);
    const inTheWay = taken.filter((other) => !(alone && other.alone) && left < other.right && other.left < left + across + STEP);
    const isFree = (top: number) => inTheWay.every((other) => top >= other.bottom || other.top >= top + down + STEP);
    // Where it wants to stand, or right under or above what is in the way.
    const [top = wanted] = [wanted, ...inTheWay.flatMap((other) => [other.bottom, other.top - down - STEP])]
      .filter((one) => one === within(one, down, room.height) && isFree(one))
      .sort((a, b) => Math.abs(a - wanted) - Math.abs(b - wanted));
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
