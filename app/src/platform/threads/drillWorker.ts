import { address } from 'worker:drill';
import type { Asked, Examined } from '../../workers/drillProtocol';

/** Starts the thread that goes through drills. @param onFault a fault in it is the page’s fault, and shown as one */
export const startDrillWorker = (onExamined: (examined: Examined) => void, onFault: (fault: Error) => void) => {
  const worker = new Worker(address);
  worker.onmessage = ({ data }: MessageEvent<Examined>) => onExamined(data);
  worker.onerror = ({ message }) => onFault(new Error(message));
  return { ask: (asked: Asked) => worker.postMessage(asked), end: () => worker.terminate() };
};
