import { currentActor } from "@/app/_web/actor";
import { problemResponse } from "@/app/_web/route";
import { inClinic } from "@/server/base/db";
import { Refused } from "@/server/base/refused";
import { clientEpisode } from "@/server/client/clients";
import { calendarOf } from "@/server/week/calendarOut";

/** The planned days as a calendar file. Its name says nothing of the client. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ clientId: string }> },
): Promise<Response> {
  try {
    const actor = await currentActor();
    if (!actor) throw new Refused("signed-out", "You are signed out. Sign in again.");
    const { clientId } = await params;
    const text = await inClinic(actor.clinicId, async (tx) => {
      const ctx = { tx, actor, now: new Date() };
      return calendarOf(ctx, await clientEpisode(ctx, clientId));
    });
    return new Response(text, {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": 'attachment; filename="exercises.ics"',
      },
    });
  } catch (error) {
    return problemResponse(error);
  }
}
