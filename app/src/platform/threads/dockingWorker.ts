import { address } from 'worker:docking';
import type { Order, Shown } from '../../workers/dockingProtocol';

export type DockingWorker = { order: (order: Order) => void; end: () => void };

/** Starts the thread that the boat moves in. @param onFault a fault in it is the page’s fault, and shown as one */
export const startDockingWorker = (onShown: (shown: Shown) => void, onFault: (fault: Error) => void): DockingWorker => {
  const worker = new Worker(address);
  worker.onmessage = ({ data }: MessageEvent<Shown>) => onShown(data);
  worker.onerror = ({ message }) => onFault(new Error(message));
  return { order: (order) => worker.postMessage(order), end: () => worker.terminate() };
};
