import { zipDownload } from "@/app/_web/download";
import { reads } from "@/app/_web/route";
import { clinicZip } from "@/server/exchange/zipOut";

/** The whole clinic as an archive, streamed client by client. */
export const GET = reads<Response, Record<string, string>>(
  async (ctx, _params, search) => {
    const { files, clients, atLeast } = await clinicZip(ctx.actor, ctx.now, search.get("names") !== "no");
    return zipDownload(files, `bexlo-clinic-${ctx.now.toISOString().slice(0, 10)}.zip`, {
      "x-bexlo-clients": String(clients),
      "x-bexlo-files": String(atLeast),
    });
  },
  (response) => response,
);
