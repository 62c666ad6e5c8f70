import type { Block, PaperDoc } from "@/core/paper/doc";
import type { Drawing } from "@/core/selection/pose/drawing";
import type { Worn } from "@/core/selection/setUp/aid";
import type { KeptLine } from "@/core/sheet/line/keptLine";
import type { Side } from "@/core/units/fields";
import { lineSaid, loadSaid } from "@/core/visit/client/homeSaid";
import { WORN } from "@/words/en/plan/setUp";
import type { Say } from "../say";

/** What hangs at a machine's side for one client: what to set, what to check, when to stop. */
export function gymCard(
  f: {
    client: string;
    on: string;
    firstSide: Side;
    lines: { kept: KeptLine; drawing: Drawing | null; worn: Worn; stopSigns: readonly string[] }[];
  },
  say: Say,
): PaperDoc {
  const blocks = f.lines.flatMap(({ kept, drawing, worn, stopSigns }): Block[] => {
    const work = kept.sets.find((s) => s.role === "work");
    const load = work?.how && say(loadSaid(work.how, work.loadKg));
    const line = lineSaid(kept, f.firstSide);
    const arc =
      kept.fromDeg === null
        ? null
        : kept.fromDeg === kept.toDeg
          ? `held at ${kept.fromDeg}°`
          : `${kept.fromDeg}° to ${kept.toDeg}°`;
    const rows: [string, string][] = [
      ...(kept.machineName ? [["machine", kept.machineName] as [string, string]] : []),
      ...kept.setUp.map((s): [string, string] => [s.name, s.value]),
      ...(load ? [["load", load] as [string, string]] : []),
      ...(arc ? [["knee bend", arc] as [string, string]] : []),
      ...(line ? [["do", say(line)] as [string, string]] : []),
      ["joint pain", `at most ${kept.painMax} of 10`],
    ];
    return [
      { kind: "heading", words: kept.name },
      { kind: "settings", rows, drawing },
      {
        kind: "list",
        items: [
          ...kept.checks,
          ...(worn === "none" ? [] : [WORN[worn]]),
          ...stopSigns.map((s) => `Stop: ${s}`),
        ],
      },
    ];
  });
  return {
    title: "Set-up",
    about: `${f.client}, ${f.on}`,
    isLarge: true,
    foot: `${f.client} · ${f.on}`,
    blocks,
  };
}
