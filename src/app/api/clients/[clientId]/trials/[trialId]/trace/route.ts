import { reads } from "@/app/_web/route";
import { traceToCsv } from "@/core/exchange/traceCsv";
import { trialTrace } from "@/server/measure/measurements";

/** The stored trace of a trial as CSV (docs/formats.md). */
export const GET = reads(
  async (ctx, params: { clientId: string; trialId: string }) => ({
    trace: await trialTrace(ctx, params.trialId),
    id: params.trialId,
  }),
  ({ trace, id }) =>
    new Response(traceToCsv(trace), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="trace-${id.slice(0, 8)}.csv"`,
      },
    }),
);
