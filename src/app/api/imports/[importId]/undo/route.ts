import { z } from "zod";
import { changes } from "@/app/_web/route";
import { undoImport } from "@/server/exchange/imports";

export const POST = changes(
  z.object({ seen: z.enum(["arriving", "draft", "confirmed"]) }),
  (ctx, body, { importId }: { importId: string }) => undoImport(ctx, importId, body.seen),
);
