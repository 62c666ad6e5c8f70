import type { SheetLine } from "@/core/sheet/line/sheetInput";

/** A sheet as it is saved. */
export interface SavedSheet {
  sheetId: string;
  name: string;
  place: "gym" | "home" | "bodyweight";
  version: number;
  items: SheetLine[];
  by: string;
  origin: "desk" | "decision" | "standing_order";
  /** its figures are kept: it can be run */
  isKept: boolean;
}

/** What is saved, by whom, and whether it is what stands here. */
export function savedWords(saved: SavedSheet | null, isChanged: boolean): string {
  if (!saved || isChanged) return "Not saved yet; kept on this device until it is.";
  if (!saved.isKept) return "Saved before its figures were kept: save it once, then it can be run.";
  const how = {
    desk: "",
    decision: ", from the last decisions",
    standing_order: ", by standing order",
  }[saved.origin];
  return `Saved as version ${saved.version} by ${saved.by}${how}.`;
}
