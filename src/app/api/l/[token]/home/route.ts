import { linkChanges } from "@/app/_web/linkRoute";
import { homeStart } from "@/core/visit/client/homeInput";
import { startHome } from "@/server/visits/home";

export const POST = linkChanges("home", homeStart, (ctx, client, link, body) =>
  startHome(ctx, client, link, body),
);
