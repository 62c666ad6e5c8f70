import { reads } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { calendarOf } from "@/server/week/calendarOut";

/** The planned days as a calendar file. Its name says nothing of the client. */
export const GET = reads(
  async (ctx, params: { clientId: string }) => calendarOf(ctx, await clientEpisode(ctx, params.clientId)),
  (text) =>
    new Response(text, {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": 'attachment; filename="exercises.ics"',
      },
    }),
);
