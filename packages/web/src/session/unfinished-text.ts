/** Text in fields that is no valid value yet, by job and field: so that leaving a stage loses none of it. */
const unfinished = new Map<string, string>();
export const unfinishedText = {
  get: (id: string, path: string): string | undefined => unfinished.get(`${id}/${path}`),
  set: (id: string, path: string, text: string | undefined): void => {
    if (text === undefined) unfinished.delete(`${id}/${path}`);
    else unfinished.set(`${id}/${path}`, text);
  },
};
