import type { Drawing } from "../selection/pose/drawing";
import type { KeptLine } from "../sheet/line/keptLine";
import { loadWords } from "../sheet/line/loadWords";
import type { Side } from "../units/fields";
import { lineWords } from "../visit/client/homeWords";
import type { Block, PaperDoc } from "./doc";

/** What hangs at a machine's side for one client: what to set, what to check, when to stop. */
export function gymCard(f: {
  client: string;
  on: string;
  firstSide: Side;
  lines: { kept: KeptLine; drawing: Drawing | null; worn: string | null; stopSigns: readonly string[] }[];
}): PaperDoc {
  const blocks = f.lines.flatMap(({ kept, drawing, worn, stopSigns }): Block[] => {
    const work = kept.sets.find((s) => s.role === "work");
    const load = work?.how && loadWords({ how: work.how, load: work.loadKg });
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
      ["do", lineWords(kept, f.firstSide)],
      ["joint pain", `at most ${kept.painMax} of 10`],
    ];
    return [
      { kind: "heading", words: kept.name },
      { kind: "settings", rows, drawing },
      {
        kind: "list",
        items: [...kept.checks, ...(worn ? [worn] : []), ...stopSigns.map((s) => `Stop: ${s}`)],
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
