import { type FuelFigures, type LevelMethod, USUAL_FIGURES } from './fuse';

/** How far a reading of a kind is usually off, as a share of the tank: by chance and by what belongs to the gauge. */
const usuallyOff = ({ sd, biasSd }: FuelFigures['level'][LevelMethod]): number => Math.hypot(sd, biasSd);

/**
 * Which way of reading, of those a tank has and nobody has used yet, says most about it; nothing when all are used.
 * @param has ways of reading that the tank has @param used those that have been read
 */
export const bestNext = (
  has: readonly LevelMethod[],
  used: readonly LevelMethod[],
  figures: FuelFigures = USUAL_FIGURES,
): LevelMethod | undefined =>
  has.filter((method) => !used.includes(method)).sort((a, b) => usuallyOff(figures.level[a]) - usuallyOff(figures.level[b]))[0];
