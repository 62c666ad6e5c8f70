import type { PaperDoc } from "@/core/paper/doc";
import { dayInWords } from "@/core/units/dayInWords";
import type { Actor } from "@/server/base/context";
import type { RecordEntry } from "@/server/client/record";
import { moment } from "@/ui/dates";
import { changesInWords, deedWords } from "../clients/[clientId]/(desk)/record/recordWords";

/** The record of changes on paper, the newest first. */
export function recordPaper(
  client: string,
  entries: readonly RecordEntry[],
  isAll: boolean,
  actor: Actor,
  day: string,
): PaperDoc {
  return {
    title: "Record of changes",
    about: `${client}, ${dayInWords(day)}`,
    isLarge: false,
    foot: `${client} · ${dayInWords(day)}${isAll ? "" : ` · the newest ${entries.length} changes; the rest stands in the clinic's records`}`,
    blocks: [
      {
        kind: "table",
        columns: ["when", "who", "what", "from, to"],
        widths: [16, 16, 18, 50],
        rows: entries.map((e) => [
          moment(e.at, actor.locale, actor.timeZone),
          e.by,
          deedWords(e.deed),
          changesInWords(e.before, e.after)
            .map((c) => `${c.field}: ${c.before === null ? "" : `${c.before} to `}${c.after ?? "–"}`)
            .join("; ")
            .slice(0, 600),
        ]),
      },
    ],
  };
}
