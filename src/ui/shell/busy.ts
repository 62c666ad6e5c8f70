/** How many answers are waited for now: pages that were asked for, changes that were sent. */
let waiting = 0;
const listeners = new Set<() => void>();

const set = (by: 1 | -1) => {
  waiting += by;
  for (const tell of listeners) tell();
};

/** Begins waiting; what it gives ends it, once. */
export function wait(): () => void {
  set(1);
  let isOver = false;
  return () => {
    if (isOver) return;
    isOver = true;
    set(-1);
  };
}

export const isWaiting = (): boolean => waiting > 0;

export function onWaiting(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}
