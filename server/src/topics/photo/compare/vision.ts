import { createRequire } from 'node:module';
import type * as OpenCv from '@techstark/opencv-js';

/** Its figures are typed as anything; they are numbers. */
type Figures =
  | 'BORDER_REPLICATE'
  | 'CV_32F'
  | 'CV_32FC2'
  | 'CV_32S'
  | 'CV_32SC2'
  | 'CV_64F'
  | 'CV_8U'
  | 'CV_8UC1'
  | 'CV_8UC3'
  | 'DECOMP_LU'
  | 'INTER_AREA'
  | 'INTER_LINEAR'
  | 'MORPH_ELLIPSE'
  | 'MORPH_RECT'
  | 'NORM_HAMMING'
  | 'RANSAC'
  | 'THRESH_BINARY'
  | 'TM_CCOEFF_NORMED';
export type Cv = Omit<typeof OpenCv, Figures> & Record<Figures, number>;

let loaded: Promise<{ cv: Cv }> | undefined;

const LAST_WORDS = ['uncaughtException', 'unhandledRejection'] as const;

/**
 * OpenCV, once a thread and when first needed: half a second that a quay without photographs never pays. It calls itself a
 * thenable and never settles, so it is handed over inside an object; and it takes over what happens to the process when
 * something is thrown, which is none of its business.
 */
export const vision = (): Promise<{ cv: Cv }> =>
  (loaded ??= new Promise((resolve) => {
    const before = LAST_WORDS.map((name) => process.listeners(name as 'uncaughtException'));
    const cv = createRequire(import.meta.url)('@techstark/opencv-js') as Cv & { onRuntimeInitialized?: () => void };
    LAST_WORDS.forEach((name, i) => {
      for (const listener of process.listeners(name as 'uncaughtException'))
        if (!before[i]!.includes(listener)) process.removeListener(name, listener);
    });
    if ('Mat' in cv && typeof cv.Mat === 'function') resolve({ cv });
    else cv.onRuntimeInitialized = () => resolve({ cv });
  }));

/** Everything made here is given back when the work ends, however it ends: WASM frees nothing by itself. */
export class Bin {
  private readonly things: { delete: () => void }[] = [];
  keep<T extends { delete: () => void }>(thing: T): T {
    this.things.push(thing);
    return thing;
  }
  empty(): void {
    for (const thing of this.things.splice(0)) thing.delete();
  }
}
