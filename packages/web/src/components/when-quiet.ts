const QUIET = 1500; // ms after what was asked for is there: what it needs itself comes first

/** In the page's own time line: what is fetched after it was not needed for what stands there. */
const QUIET_MARK = 'quiet';

/** Does what may wait once the page has been left alone for a moment; what it returns takes that back. */
export function whenQuiet(work: () => Promise<unknown>): () => void {
  const timer = setTimeout(() => {
    performance.mark(QUIET_MARK);
    void work().catch(() => undefined); // it is done when it is wanted, too
  }, QUIET);
  return () => clearTimeout(timer);
}
