/**
 * Keeps hold of every transaction that a database begins, readings as well, until it ends by itself.
 * @returns how to give up all that still run
 */
export const holdTransactions = (db: IDBDatabase): (() => void) => {
  const running = new Set<IDBTransaction>();
  const begin = db.transaction.bind(db);
  db.transaction = (...args: Parameters<IDBDatabase['transaction']>) => {
    const tx = begin(...args);
    running.add(tx);
    const ended = () => running.delete(tx);
    tx.addEventListener('complete', ended);
    tx.addEventListener('abort', ended);
    return tx;
  };
  return () => {
    for (const tx of [...running])
      try {
        tx.abort();
      } catch (error) {
        // It is about to end by itself: its last request has been answered.
        if (!(error instanceof DOMException && error.name === 'InvalidStateError')) throw error;
      }
  };
};
