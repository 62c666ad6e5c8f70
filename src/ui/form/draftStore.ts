/** Where unsaved changes lie on this device; cleared by who signs out, so that nobody after them reads them. */
const PREFIX = "draft ";

export const readDraft = (place: string): unknown => {
  try {
    return JSON.parse(localStorage.getItem(PREFIX + place) ?? "null");
  } catch {
    return null;
  }
};

/** A device that is full or forbids it keeps nothing; closing the page still asks. */
export const keepDraft = (place: string, text: string): void => {
  try {
    localStorage.setItem(PREFIX + place, text);
  } catch {
    dropDraft(place);
  }
};

export const dropDraft = (place: string): void => localStorage.removeItem(PREFIX + place);

/** The places of what is unsaved. */
export const draftPlaces = (): string[] =>
  Object.keys(localStorage).flatMap((key) => (key.startsWith(PREFIX) ? [key.slice(PREFIX.length)] : []));

export const dropAllDrafts = (): void => {
  for (const place of draftPlaces()) dropDraft(place);
};
