import type { PaperDoc } from "@/core/paper/doc";
import type { ExerciseText } from "@/core/rules/exerciseText";
import type { Drawing } from "@/core/selection/pose/drawing";
import type { Worn } from "@/core/selection/setUp/aid";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { Side } from "@/core/units/fields";
import { feltSaid, lineSaid } from "@/core/visit/client/homeSaid";
import { formatFor, type Reader } from "../format";
import { labelsOf, sayTo } from "../say";

export interface SheetPaperFacts {
  client: string;
  /** ISO days */
  on: string;
  sheet: string;
  firstSide: Side;
  painMax: number;
  lines: {
    kept: KeptLine;
    /** null: the exercise is not in use any more */
    text: ExerciseText | null;
    worn: Worn;
    drawing: Drawing | null;
  }[];
  /** the next planned days; empty: none was planned */
  next: readonly { on: string; at: string | null }[];
}

/** The client's sheet: drawings, what to set, how many, how it may feel, what to do if it hurts, when next. */
export function clientSheet(f: SheetPaperFacts, reader: Reader): PaperDoc {
  const say = sayTo(reader);
  const [t, { day }] = [labelsOf(say, "clientPaper"), formatFor(reader, say)];
  const said = (m: Parameters<typeof say>[0] | null) => (m === null ? "" : say(m));
  const next = f.next.map((d) => (d.at ? t("day_at", { day: day(d.on), at: d.at }) : day(d.on)));
  return {
    title: f.sheet,
    about: `${f.client}, ${day(f.on)}`,
    isLarge: true,
    foot: `${f.client} · ${f.sheet} · ${day(f.on)}`,
    blocks: [
      ...f.lines.map(({ kept, text, worn, drawing }, i) => ({
        kind: "exercise" as const,
        name: `${i + 1}. ${reader.language === "en" ? kept.name : (text?.name ?? kept.name)}`,
        dose: said(lineSaid(kept, f.firstSide)),
        lines: [
          kept.setUp.length > 0
            ? t("set", {
                what: kept.setUp
                  .map((s) => `${t("setting", { key: s.key, name: s.name })} ${s.value}`)
                  .join(", "),
              })
            : "",
          text?.equipment ? t("needs", { what: text.equipment }) : "",
          worn === "none" ? "" : t("wear", { what: t("worn", { worn }) }),
          text?.cues.slice(0, 2).join(" ") ?? "",
          said(feltSaid(kept)),
        ].filter(Boolean),
        drawing,
      })),
      { kind: "heading", words: t("if_hurts") },
      {
        kind: "list",
        items: [
          t("up_to", { pain: f.painMax }),
          t("above", { pain: f.painMax }),
          t("stop_all"),
          t("emergency"),
        ],
      },
      { kind: "heading", words: t("when_next") },
      { kind: "text", words: next.length > 0 ? `${next.join(", ")}.` : t("no_days"), isStrong: true },
    ],
  };
}
