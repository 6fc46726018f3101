const KEY = 'endrel:failed';
const MOST = 40;

const all = (): string[] => {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(kept) ? kept.filter((place) => typeof place === 'string') : [];
  } catch {
    return []; // forbidden, or somebody else's
  }
};

/** The stage and tab of an address, whatever part is chosen there. */
const placeOf = ({ pathname, search }: Pick<Location, 'pathname' | 'search'>): string =>
  `${pathname}?${new URLSearchParams(search).get('tab') ?? ''}`;

/** Remembers that a page could not be drawn there, so that a job is not opened on it again. */
export function markFailed(at: Pick<Location, 'pathname' | 'search'>): void {
  try {
    localStorage.setItem(KEY, JSON.stringify([...new Set([...all(), placeOf(at)])].slice(-MOST)));
  } catch {
    // a browser that keeps nothing opens it as it is; its boundary keeps the page alive
  }
}

/** Whether it failed there before; asked once: who goes there by hand may try again. */
export function takeFailed(at: Pick<Location, 'pathname' | 'search'>): boolean {
  const place = placeOf(at);
  const places = all();
  if (!places.includes(place)) return false;
  localStorage.setItem(KEY, JSON.stringify(places.filter((p) => p !== place)));
  return true;
}
