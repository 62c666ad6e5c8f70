import { z } from "zod";
import { changes } from "@/app/_web/route";
import { remap } from "@/server/exchange/imports";
import { csvMapping } from "@/server/exchange/plansOf";

export const POST = changes(
  z.object({ mapping: csvMapping }),
  (ctx, { mapping }, { importId }: { importId: string }) => remap(ctx, importId, mapping),
);
