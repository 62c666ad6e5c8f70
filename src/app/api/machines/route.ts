import { z } from "zod";
import { changes } from "@/app/_web/route";
import { machine } from "@/core/equipment/machine";
import { uuid } from "@/core/units/fields";
import { addMachine } from "@/server/clinic/machines";

const body = z.object({ id: uuid, machine });

export const POST = changes(body, (ctx, { id, machine: m }) => addMachine(ctx, id, m));
