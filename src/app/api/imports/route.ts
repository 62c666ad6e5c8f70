import { z } from "zod";
import { changes } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { announce } from "@/server/exchange/imports";
import { IMPORT_KINDS } from "@/server/exchange/plansOf";

/** A file that will come in pieces: what it is and how long. The answer says how much of it is here. */
const announced = z.object({
  id: uuid,
  kind: z.enum(IMPORT_KINDS, { error: "input.choose_file_kind" }),
  fileName: z
    .string()
    .trim()
    .min(1, { error: "input.file_name" })
    .max(200, { error: "input.file_name_long" }),
  bytes: z.number().int().min(0).max(1e12),
});

export const POST = changes(announced, announce);
