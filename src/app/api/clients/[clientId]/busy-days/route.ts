import { z } from "zod";
import { changes } from "@/app/_web/route";
import { clientEpisode } from "@/server/client/clients";
import { busyDays } from "@/server/week/calendarIn";

const CALENDAR_BYTES = 1_500_000;

/** Reads a calendar file and gives the days that it takes up; nothing of it is kept. */
export const POST = changes(
  z.object({ file: z.string().max(CALENDAR_BYTES), from: z.iso.date(), until: z.iso.date() }),
  async (ctx, body, params: { clientId: string }) => {
    await clientEpisode(ctx, params.clientId);
    return busyDays(ctx, body.file, body.from, body.until);
  },
  CALENDAR_BYTES + 200_000,
);
