import { currentActor } from "@/app/_web/actor";
import { problemResponse } from "@/app/_web/route";
import { traceToCsv } from "@/core/exchange/traceCsv";
import { uuid } from "@/core/units/fields";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";
import { trialTrace } from "@/server/measure/measurements";

/** The stored trace of a trial as CSV (docs/formats.md). */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ trialId: string }> },
): Promise<Response> {
  try {
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const { trialId } = await params;
    if (!uuid.safeParse(trialId).success) throw new Refused("missing", "There is no such trial.");
    const trace = await inClinic(actor.clinicId, (tx) => trialTrace({ tx, actor, now: new Date() }, trialId));
    return new Response(traceToCsv(trace), {
      headers: {
        "content-type": "text/csv; charset=utf-8",
        "content-disposition": `attachment; filename="trace-${trialId.slice(0, 8)}.csv"`,
      },
    });
  } catch (error) {
    return problemResponse(error);
  }
}
