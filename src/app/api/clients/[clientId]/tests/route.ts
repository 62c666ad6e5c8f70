import { changes } from "@/app/_web/route";
import { strengthTestInput } from "@/core/strength/testInput";
import { clientEpisode } from "@/server/client/clients";
import { recordTest } from "@/server/measure/measurements";

/** Four traces of a minute at most. */
const TRACES_BYTES = 6_000_000;

export const POST = changes(
  strengthTestInput,
  async (ctx, body, params: { clientId: string }) =>
    recordTest(ctx, await clientEpisode(ctx, params.clientId), body),
  TRACES_BYTES,
);
