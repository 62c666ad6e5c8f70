import { changes } from "@/app/_web/route";
import { stanceChange } from "@/core/phases/stanceInput";
import { chooseStance } from "@/server/client/stances";

/** The clinic's defaults. */
export const POST = changes(stanceChange, (ctx, body) => chooseStance(ctx, null, body));
