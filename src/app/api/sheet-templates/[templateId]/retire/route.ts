import { z } from "zod";
import { changes } from "@/app/_web/route";
import { retireTemplate } from "@/server/sheets/templates";

export const POST = changes(z.object({}), (ctx, _input, { templateId }: { templateId: string }) =>
  retireTemplate(ctx, templateId),
);
