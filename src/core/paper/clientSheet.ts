import type { Drawing } from "../selection/pose/drawing";
import type { KeptLine } from "../sheet/line/keptLine";
import type { Side } from "../units/fields";
import { feltWords, lineWords } from "../visit/client/homeWords";
import type { PaperDoc } from "./doc";

export interface SheetPaperFacts {
  client: string;
  on: string;
  sheet: string;
  firstSide: Side;
  painMax: number;
  lines: {
    kept: KeptLine;
    equipment: string;
    worn: string | null;
    cues: readonly string[];
    drawing: Drawing | null;
  }[];
  /** the next planned days, in words; empty: none was planned */
  next: readonly string[];
}

/** What to stop for, the same on every paper that a client takes home. */
const STOP = [
  "New numbness, the knee gives way or locks, or it is hot or much more swollen: stop everything and call the clinic.",
  "Chest pain, short breath, a painful swollen calf: call the emergency number.",
];

/** The client's sheet: drawings, what to set, how many, how it may feel, what to do if it hurts, when next. */
export function clientSheet(f: SheetPaperFacts): PaperDoc {
  return {
    title: f.sheet,
    about: `${f.client}, ${f.on}`,
    isLarge: true,
    foot: `${f.client} · ${f.sheet} · ${f.on}`,
    blocks: [
      ...f.lines.map(({ kept, equipment, worn, cues, drawing }, i) => ({
        kind: "exercise" as const,
        name: `${i + 1}. ${kept.name}`,
        dose: lineWords(kept, f.firstSide),
        lines: [
          kept.setUp.length > 0 ? `Set: ${kept.setUp.map((s) => `${s.name} ${s.value}`).join(", ")}.` : "",
          equipment ? `You need: ${equipment}.` : "",
          worn ? `Wear: ${worn}.` : "",
          cues.slice(0, 2).join(" "),
          feltWords(kept),
        ].filter(Boolean),
        drawing,
      })),
      { kind: "heading", words: "If it hurts" },
      {
        kind: "list",
        items: [
          `Joint pain up to ${f.painMax} of 10 is all right if it has settled by the next morning. The burn of a muscle is no harm.`,
          `Above ${f.painMax} of 10: stop this exercise for today and tell us.`,
          ...STOP,
        ],
      },
      { kind: "heading", words: "When next" },
      {
        kind: "text",
        words: f.next.length > 0 ? `${f.next.join(", ")}.` : "No days are planned yet: ask us when you come.",
        isStrong: true,
      },
    ],
  };
}
