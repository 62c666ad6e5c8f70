import { CLIENT_TABLE_NAMES, type ClientFile } from "../exchange/clientFile";
import { type NewClient, rowsOfNewClient } from "../exchange/newRows";

export const READER = "00000000-0000-4000-8000-0000000000aa";
/** Ids from texts: always the same one for the same text. */
export const idOf = (text: string): string => {
  const hex = [...text].reduce((h, c) => (Math.imul(h, 31) + (c.codePointAt(0) ?? 0)) >>> 0, 7);
  return `00000000-0000-4000-8000-${hex.toString(16).padStart(12, "0")}`;
};
export const MAKING = { by: READER, at: "2026-03-02T09:00:00Z", today: "2026-03-02", idOf };

/** A made-up client with nothing but a story, as a file of ours; `rows` are laid over it. */
export function clientFileOf(
  rows: Partial<ClientFile["rows"]> = {},
  over: Partial<NewClient> = {},
): ClientFile {
  const made = rowsOfNewClient(
    {
      ...{ key: "file", name: "Ida Fernhollow", birthYear: 1960, heightM: 1.7, bodyMassKg: 72, sex: null },
      ...{ side: "left", beganOn: "2026-01-05", beganWith: "onset", conditionId: null, variantId: null },
      ...{ words: "stiff knee", goal: "", ...over },
    },
    MAKING,
  );
  const none = Object.fromEntries(CLIENT_TABLE_NAMES.map((t) => [t, []])) as unknown as ClientFile["rows"];
  return {
    format: "bexlo-client",
    version: 1,
    made_at: MAKING.at,
    clinic: { name: "Test clinic", time_zone: "Europe/Amsterdam" },
    people: [{ id: READER, name: "Test therapist", role: "therapist" }] as ClientFile["people"],
    machines: [],
    rows: { ...none, ...(made as Partial<ClientFile["rows"]>), ...rows },
  };
}
