import { z } from "zod";
import { changes } from "@/app/_web/route";
import { uuid } from "@/core/units/fields";
import { announce } from "@/server/exchange/imports";
import { IMPORT_KINDS } from "@/server/exchange/plansOf";

/** A file that will come in pieces: what it is and how long. The answer says how much of it is here. */
const announced = z.object({
  id: uuid,
  kind: z.enum(IMPORT_KINDS, { error: "Say what kind of file this is." }),
  fileName: z
    .string()
    .trim()
    .min(1, { error: "This file has no name." })
    .max(200, { error: "The file's name is longer than 200 letters." }),
  bytes: z.number().int().min(0).max(1e12),
});

export const POST = changes(announced, announce);
