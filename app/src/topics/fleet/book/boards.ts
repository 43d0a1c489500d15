/** Everything that is drawn on, in one file that is fetched when somebody draws: the library behind it is large. */
export { StationBoard } from './stations/StationBoard';
export { DrawingSheet } from './strokes/DrawingSheet';
