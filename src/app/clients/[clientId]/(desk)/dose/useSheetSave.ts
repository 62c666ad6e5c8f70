"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { z } from "zod";
import { sheetLine } from "@/core/sheet/line/sheetInput";
import type { ClientEpisode } from "@/server/client/clients";
import { useUnsaved } from "@/ui/form/useUnsaved";
import { useSendOnce } from "@/ui/useSendOnce";
import type { SavedSheet } from "./savedSheet";
import { plainLines, type useScore } from "./useScore";

/** A sheet as it is kept on the device before it is saved. */
const SHEET_DRAFT = z.object({
  baseVersion: z.number(),
  items: sheetLine.array(),
  name: z.string(),
  place: z.enum(["gym", "home", "bodyweight"]),
});

/** Whether a sheet is changed, what is kept of it on the device meanwhile, and saving it. */
export function useSheetSave({
  client,
  saved,
  score,
  name,
  place,
  isBarred,
}: {
  client: ClientEpisode;
  saved: SavedSheet | null;
  score: ReturnType<typeof useScore>;
  name: string;
  place: SavedSheet["place"];
  /** something stands in the way of saving: a role, a limit, a warning sign */
  isBarred: boolean;
}) {
  const { clientId } = client;
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const items = plainLines(score.lines);
  const isChanged =
    JSON.stringify(items) !== JSON.stringify(saved?.items ?? []) ||
    (saved !== null && (name !== saved.name || place !== saved.place));
  const version = saved?.version ?? 0;
  const sendOnce = useSendOnce();
  // a new sheet keeps its id however often it is sent
  const newSheetId = useRef<string>(crypto.randomUUID());
  const left = useUnsaved({
    place: `sheet ${client.episodeId} ${saved?.sheetId ?? "new"}`,
    shape: SHEET_DRAFT,
    draft: { baseVersion: version, items: [...items], name, place },
    isChanged,
  });
  const mayBeSaved = isChanged || saved?.isKept === false;
  const maySave = score.lines.length > 0 && !isBarred && mayBeSaved;
  const save = async (): Promise<string | null> => {
    if (!maySave) return null;
    const sheetId = saved?.sheetId ?? newSheetId.current;
    const sent = await sendOnce(`/api/clients/${clientId}/sheets`, (id) => ({
      id,
      sheetId,
      name,
      place,
      baseVersion: version,
      items,
    }));
    if (!sent.ok) {
      setProblem(sent.problems[0]?.sentence ?? "The sheet was not saved.");
      return null;
    }
    setProblem(null);
    left.drop();
    if (saved) router.refresh();
    else router.replace(`/clients/${clientId}/dose?sheet=${sheetId}`);
    return sheetId;
  };
  const toFloor = async () => {
    const sheetId = maySave ? await save() : saved?.sheetId;
    if (sheetId) router.push(`/clients/${clientId}/floor?sheet=${sheetId}`);
  };
  return { isChanged, version, left, maySave, save, toFloor, problem };
}
