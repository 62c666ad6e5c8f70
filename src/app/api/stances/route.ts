import { changes } from "@/app/_web/route";
import { stanceChange } from "@/core/safety/stanceInput";
import { chooseStance } from "@/server/stances";

/** The clinic's defaults. */
export const POST = changes(stanceChange, (ctx, body) => chooseStance(ctx, null, body));
