import { reads } from "@/app/_web/route";
import { findable } from "@/server/clinic/findable";

/** Names of clients, machines and exercises, for the search from anywhere. */
export const GET = reads(findable, (found) =>
  Response.json(found, { headers: { "cache-control": "no-store" } }),
);
